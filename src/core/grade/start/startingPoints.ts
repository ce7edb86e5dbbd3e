import { outputOf } from '../../lut/outputs.ts';
import { newRow, withRow, type GradeKindId } from '../rows/rowKinds.ts';
import type { Grade, GradeRow } from '../rows/types.ts';

/** A common way to begin, with its reason for this recording. */
type StartingPoint = {
  readonly name: string;
  /** What it does, and whether this recording is of that kind. */
  readonly says: (grade: Grade) => string;
  /** The rows with its own put in, each where it belongs. */
  readonly rows: (grade: Grade) => readonly GradeRow[];
};

const withRows = ({ rows }: Grade, own: readonly GradeRow[]): readonly GradeRow[] =>
  own.reduce(withRow, rows);

const row = (kind: GradeKindId, id: string, values: GradeRow['values']): GradeRow => ({
  ...newRow(kind, id),
  values,
});

const isSameGamut = ({ recipe }: Grade) => recipe.profile.gamut === outputOf(recipe.output).primaries;
const isHlg = ({ recipe: { profile } }: Grade) =>
  profile.curve.kind === 'standard' && profile.curve.transfer === 'hlg';

const HLG_READ =
  'HLG that is read as HDR in an SDR timeline looks far too bright. Nothing is lost: state the clip’s colour space.';

/** Common starting points, as rows that explain themselves. A further one is a row. */
export const STARTING_POINTS = {
  matrixLog: {
    name: 'Log with a standard gamut',
    says: (grade) =>
      isSameGamut(grade)
        ? 'This recording is in the picture’s own primaries: no gamut step is needed, and colour is turned up by hand.'
        : 'This recording has a gamut of its own, which the conversion brings to the picture’s: not of this kind.',
    rows: (grade) =>
      withRows(grade, [row('saturation', 'saturation', { amount: isSameGamut(grade) ? 1.3 : 1 })]),
  },
  hlgForSdr: {
    name: 'HLG shot for SDR',
    says: (grade) =>
      isHlg(grade)
        ? `${HLG_READ} Here it is read as HLG and converted to the picture that is chosen.`
        : `This recording is not HLG. ${HLG_READ}`,
    rows: (grade) => withRows(grade, [row('points', 'points', { white: 1 })]),
  },
  filmPrint: {
    name: 'Film-print look that wants log',
    says: () =>
      'The picture goes back to the recording’s log, then through the look, at 60 %. Choose its LUT in the row.',
    rows: (grade) => withRows(grade, [row('look', 'look', { amount: 0.6, log: 1 })]),
  },
  diffusion: {
    name: 'Diffusion was on the lens',
    says: () =>
      'Its veil lies over black: half a percent of white is taken off, the bloom stays. More glow is not needed.',
    rows: (grade) =>
      withRows(grade, [
        row('points', 'points', { black: 0.005, white: 1 }),
        { ...newRow('grain'), on: false },
      ]),
  },
  tealWarm: {
    name: 'Cool shadows, warm mids',
    says: () =>
      'Two rows: blue into the shadows, warmth into the mids. What they do to skin stands at each row.',
    rows: (grade) =>
      withRows(grade, [
        row('tint', 'tint-shadows', { at: -3, width: 1.5, red: -0.12, blue: 0.08 }),
        row('tint', 'tint-mids', { at: 0.5, width: 1.5, red: 0.06, blue: -0.06 }),
      ]),
  },
  halfLook: {
    name: 'A look at half',
    says: () =>
      'A display look over the corrected picture at 50 %: it leaves room for the scene. Choose its LUT in the row.',
    rows: (grade) => withRows(grade, [row('look', 'look', { amount: 0.5, log: 0 })]),
  },
} as const satisfies { readonly [id: string]: StartingPoint };
export type StartingPointId = keyof typeof STARTING_POINTS;
export const STARTING_POINT_IDS = Object.keys(STARTING_POINTS) as StartingPointId[];
