import { outputOf, type OutputId } from '../lut/outputs.ts';
import { newRow } from './rows/rowKinds.ts';
import type { Grade, GradeRow } from './rows/types.ts';

/** What moves in a grade for one deliverable alone. */
export type OutputTrim = {
  /** Light, before the conversion. */
  readonly stops: number;
  /** Colour of the whole picture, after it; 1 leaves it. */
  readonly saturation: number;
};
export const NO_TRIM: OutputTrim = { stops: 0, saturation: 1 };

/** Highlights are drawn out for paper white of SDR alone: an HDR display has its own. */
const laidFor = (row: GradeRow, output: OutputId): GradeRow =>
  row.kind === 'points' && outputOf(output).range === 'HDR'
    ? { ...row, values: { ...row.values, white: Math.min(1, row.values.white ?? 1) } }
    : row;

/**
 * One grade for another deliverable: the same rows, another conversion, and a trim of its own. Highlights that were
 * drawn out for SDR are not drawn out in HDR.
 */
export const gradeFor = (
  grade: Grade,
  { output, peak, trim }: { readonly output: OutputId; readonly peak: number; readonly trim: OutputTrim },
): Grade => {
  const rows = grade.rows.map((row) => laidFor(row, output));
  const split = rows.findIndex(({ side }) => side === 'after');
  const at = split < 0 ? rows.length : split;
  const own: readonly GradeRow[] = [
    { ...newRow('exposure', 'output-exposure'), values: { stops: trim.stops } },
  ];
  const colour: readonly GradeRow[] = [
    { ...newRow('saturation', 'output-saturation'), values: { amount: trim.saturation } },
  ];
  return {
    ...grade,
    recipe: { ...grade.recipe, output, peak },
    rows: [
      ...rows.slice(0, at),
      ...(trim.stops === 0 ? [] : own),
      ...rows.slice(at),
      ...(trim.saturation === 1 ? [] : colour),
    ],
  };
};
