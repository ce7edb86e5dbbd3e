import { neutralOf } from '#core/colour/lean.ts';
import { isoStanding } from '#core/exposure/iso.ts';
import type { Correction } from '#core/correction/operations.ts';
import { newRow, withRow, type GradeKindId } from '#core/grade/rows/rowKinds.ts';
import type { Grade, GradeRow } from '#core/grade/rows/types.ts';
import {
  GRADE_SCHOOLS,
  PLAIN_SCHOOLS,
  type GradeSchoolId,
  type GradeSchools,
} from '#core/grade/start/schools.ts';
import { NO_TRIM, type OutputTrim } from '#core/grade/deliverables.ts';
import { OUTPUT_IDS, OUTPUTS, type OutputId } from '#core/lut/outputs.ts';
import { TONE_PRESETS, type TonePresetId } from '#core/lut/toneScale.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { GradeRecord } from '#store/records/grade.ts';
import type { Selection } from '#store/selection.ts';
import { bareProfile } from '#ui/luts/lutSource.ts';

/** What a plan's trial grade is where nobody has touched it; its rows are proposed from the picture. */
export const FIRST_GRADE: GradeRecord = {
  schools: PLAIN_SCHOOLS,
  output: 'bt1886',
  peak: 1000,
  tone: 'plain',
  rows: [],
};

const idIn = <T extends string>(table: object, id: string, otherwise: T): T =>
  Object.hasOwn(table, id) ? (id as T) : otherwise;

/** The schools of a record; what this version does not know counts as not chosen. */
export const schoolsOf = ({ schools }: Pick<GradeRecord, 'schools'>): GradeSchools =>
  Object.fromEntries(
    Object.entries(PLAIN_SCHOOLS).map(([id, plain]) => [
      id,
      idIn(GRADE_SCHOOLS[id as GradeSchoolId].options, schools[id] ?? plain, plain),
    ]),
  ) as unknown as GradeSchools;

export const outputIdOf = ({ output }: Pick<GradeRecord, 'output'>): OutputId =>
  idIn(OUTPUTS, output, 'bt1886');
/** Deliverables that are made beside the one that is graded for. */
export const otherOutputs = (record: Pick<GradeRecord, 'trims' | 'output'>): readonly OutputId[] =>
  OUTPUT_IDS.filter((id) => id !== outputIdOf(record) && record.trims?.[id] !== undefined);

/** What moves for a deliverable alone. */
export const trimOf = ({ trims }: Pick<GradeRecord, 'trims'>, output: OutputId): OutputTrim =>
  trims?.[output] ?? NO_TRIM;

export const toneIdOf = ({ tone }: Pick<GradeRecord, 'tone'>): TonePresetId =>
  idIn(TONE_PRESETS, tone, 'plain');

/** Everything of a grade but its rows. @param match What brings the picture to its hero, before all else */
export const gradeBase = (
  { profile, plan, camera }: Pick<Selection, 'profile' | 'plan' | 'camera'>,
  record: GradeRecord,
  match: Correction | undefined,
): Omit<Grade, 'rows'> => ({
  recipe: {
    profile: bareProfile(profile.data),
    pullStops: 0,
    output: outputIdOf(record),
    peak: record.peak,
    tone: TONE_PRESETS[toneIdOf(record)].tone,
    saturation: 1,
  },
  dial: {
    kelvin: neutralOf(plan.kelvin, camera.lean?.mired ?? 0),
    tint: plan.tint + (camera.lean?.tint ?? 0),
  },
  floorStops: camera.floorStops + isoStanding(plan.iso, camera.baseIsos, camera.sensitivity).floorRise,
  ...(match ? { match } : {}),
});

/** The grade that is kept for a camera in a set-up; undefined where none is. @param kelvin Light it is balanced to */
export const keptGrade = (selection: Selection, kelvin: number): Grade | undefined => {
  const { grade } = selection.plan;
  if (!grade || grade.rows.length === 0) return undefined;
  const match = matchInLight(selection, kelvin)?.correction;
  return { ...gradeBase(selection, grade, match), rows: grade.rows };
};

type Trim = NonNullable<ClipRecord['trim']>;

/** Rows of the set-up with a clip's own correction before all else, where the set-up has no match. */
export const correctedRows = (rows: readonly GradeRow[], isCorrected: boolean): readonly GradeRow[] =>
  isCorrected && rows.length > 0 && !rows.some(({ kind }) => kind === 'match')
    ? [{ ...newRow('match', 'clip-match'), values: { amount: 1 } }, ...rows]
    : rows;

/** Rows of the set-up with what moves for one clip alone, behind its own exposure and balance. */
export const trimmedRows = (rows: readonly GradeRow[], trim: Trim | undefined): readonly GradeRow[] => {
  if (!trim || (trim.stops === 0 && trim.mired === 0)) return rows;
  const last = rows.findLastIndex(({ kind }) => kind === 'exposure' || kind === 'balance');
  const own: GradeRow[] = [
    { ...newRow('exposure', 'clip-exposure'), values: { stops: trim.stops } },
    { ...newRow('balance', 'clip-balance'), values: { mired: trim.mired } },
  ];
  return rows.toSpliced(last + 1, 0, ...own);
};

/** An id that no row has. */
const freeRowId = (rows: readonly GradeRow[], kind: GradeKindId): string => {
  const taken = new Set(rows.map(({ id }) => id));
  let id: string = kind;
  for (let n = 2; taken.has(id); n += 1) id = `${kind}-${n}`;
  return id;
};

/** Rows with a new one of a kind, where it belongs. */
export const withNewRow = (rows: readonly GradeRow[], kind: GradeKindId): readonly GradeRow[] =>
  withRow(rows, newRow(kind, freeRowId(rows, kind)));

/** A row one place earlier or later among those of its side. */
export const movedRow = (rows: readonly GradeRow[], id: string, by: -1 | 1): readonly GradeRow[] => {
  const from = rows.findIndex((row) => row.id === id);
  const side = rows[from]?.side;
  let to = from + by;
  while (rows[to] && rows[to].side !== side) to += by;
  if (from < 0 || !rows[to]) return rows;
  const without = rows.toSpliced(from, 1);
  return without.toSpliced(to, 0, rows[from]);
};

/** The row with a change. */
export const changedRow = (
  rows: readonly GradeRow[],
  id: string,
  change: Partial<GradeRow>,
): readonly GradeRow[] => rows.map((row) => (row.id === id ? { ...row, ...change } : row));
