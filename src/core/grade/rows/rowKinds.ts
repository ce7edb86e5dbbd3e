import { balance } from './balance.ts';
import { cameraMatch } from './cameraMatch.ts';
import { channels, red } from './channels.ts';
import { contrast } from './contrast.ts';
import { exposure } from './exposure.ts';
import { hue, skin } from './hue.ts';
import { look } from './look.ts';
import { denoise, grain, sharpen } from './notes.ts';
import { points } from './points.ts';
import { saturation } from './saturation.ts';
import { sheen } from './sheen.ts';
import { toneTint } from './toneTint.ts';
import type { GradeKind, GradeRow, GradeValues } from './types.ts';

/** Operations of the trial grade, in the order in which they are usually done. A further one is a row. */
export const GRADE_KINDS = {
  denoise,
  match: cameraMatch,
  exposure,
  balance,
  points,
  contrast,
  channels,
  red,
  skin,
  sheen,
  hue,
  tint: toneTint,
  saturation,
  look,
  sharpen,
  grain,
} as const satisfies { readonly [id: string]: GradeKind };
export type GradeKindId = keyof typeof GRADE_KINDS;
export const GRADE_KIND_IDS = Object.keys(GRADE_KINDS) as GradeKindId[];

/** The kind of a row; undefined for one that this version does not know. */
export const kindOf = (row: Pick<GradeRow, 'kind'>): GradeKind | undefined =>
  Object.hasOwn(GRADE_KINDS, row.kind) ? GRADE_KINDS[row.kind as GradeKindId] : undefined;

/** Reads a value of a row, held to its limits; one that is not there is neutral. */
export const valueOf =
  ({ values }: GradeKind, given: GradeValues) =>
  (name: string): number => {
    const { min, max, neutral } = values[name];
    const v = given[name];
    return v === undefined || !Number.isFinite(v) ? neutral : Math.min(max, Math.max(min, v));
  };

const placeOf = (kind: string): number => GRADE_KIND_IDS.findIndex((id) => id === kind);

/** Rows with one more, where its kind belongs; one of the same id makes way for it. */
export const withRow = (rows: readonly GradeRow[], row: GradeRow): readonly GradeRow[] => {
  const others = rows.filter(({ id }) => id !== row.id);
  const before = others.findLastIndex(({ kind }) => placeOf(kind) <= placeOf(row.kind));
  return others.toSpliced(before + 1, 0, row);
};

/** A new row of a kind, doing nothing yet. */
export const newRow = (kind: GradeKindId, id: string = kind): GradeRow => ({
  id,
  kind,
  on: true,
  side: GRADE_KINDS[kind].side,
  values: {},
});
