import { readChart } from '#core/colour/chartCsv.ts';
import { CHART_LIGHTS, type ChartLightId } from '#core/colour/chartLights.ts';
import {
  gamutFromPatches,
  gamutOfMatrix,
  gamutThrough,
  type GamutFit,
} from '#core/colour/gamutFromPatches.ts';
import { GAMUT_IDS, GAMUTS, type Gamut, type GamutId } from '#core/colour/gamut.ts';
import type { Matrix3 } from '#core/maths/matrix.ts';
import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import { failure, type Result } from '#core/result.ts';
import { codeToSignal, type Coding } from '#core/signal/scale.ts';
import { parseNumber } from '#core/units.ts';

/** What a typed 3 x 3 leads to: XYZ, or linear R, G, B of a standard. */
export const MATRIX_TO = ['xyz', ...GAMUT_IDS] as const;
export type MatrixTo = (typeof MATRIX_TO)[number];

/** Nine numbers, row after row, apart by spaces, commas or line breaks. */
export const readMatrix = (text: string, to: MatrixTo, name: string): Result<Gamut> => {
  const numbers = text
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(parseNumber);
  if (numbers.length !== 9 || !numbers.every(Number.isFinite))
    return failure('matrix', `Type nine numbers, row after row; ${numbers.length} stand there.`);
  const matrix = numbers as unknown as Matrix3;
  return to === 'xyz' ? gamutOfMatrix(matrix, name) : gamutThrough(matrix, GAMUTS[to as GamutId], name);
};

/** What R, G, B of a chart's file are. */
export const CHART_READS = {
  percent: '% of signal',
  code: 'codes as recorded',
  linear: 'linear light',
} as const;
export type ChartReads = keyof typeof CHART_READS;

/** Marks of the frame on the bench in their order: codes as recorded. */
export type Marks = readonly (readonly [number, number, number])[];

/**
 * A gamut from a chart's file, its R, G, B through a curve to light; rows that have none are read off the marks, in
 * their order.
 */
export const gamutFromChart = (
  text: string,
  how: { readonly light: ChartLightId; readonly reads: ChartReads; readonly name: string },
  curve: ProfileData,
  coding: Coding,
  marks: Marks,
): Result<GamutFit> => {
  const chart = readChart(text, CHART_LIGHTS[how.light].light);
  if (!chart.ok) return chart;
  const { transfer } = compileProfile(curve);
  const toLight = {
    percent: (v: number) => transfer.decode(v / 100),
    code: (v: number) => transfer.decode(codeToSignal(v, coding)),
    linear: (v: number) => v,
  };
  const rows = chart.value.rows.filter(({ name, read }) => read || name.toLowerCase() !== 'white');
  const unread = rows.filter(({ read }) => !read);
  if (unread.length > 0 && unread.length !== marks.length)
    return failure(
      'chart',
      `${unread.length} rows have no R, G, B: add them, or mark as many places on the frame (${marks.length} marked).`,
    );
  const patches = rows.map((row) => {
    const { name, xyz, read } = row;
    // Names may stand twice: the row itself is counted.
    const values = read ?? marks[unread.indexOf(row)];
    const turn = read ? toLight[how.reads] : toLight.code;
    return { name, xyz, rgb: [turn(values[0]), turn(values[1]), turn(values[2])] as const };
  });
  return gamutFromPatches(patches, chart.value.white, how.name);
};
