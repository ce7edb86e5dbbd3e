import Papa from 'papaparse';
import type { GamutSpec } from '../colour/gamut.ts';
import { failure, success, type Result } from '../result.ts';
import { SCALES, type Coding, type ScaleId } from '../signal/scale.ts';
import { DARKEST_ROW, type TableRow } from '../transfer/index.ts';
import { reflectanceToStops, stopsToReflectance } from '../units.ts';
import type { ProfileSolution } from './solution.ts';

/** What the two columns hold. */
export type TableColumns = {
  readonly light: 'stops' | 'reflectance';
  /** `fraction`: 0..1 of the top code. */
  readonly reading: ScaleId | 'fraction';
};

const MAX_ROWS = 4096;
const MAX_TEXT = 1_000_000;

const number = (cell: string | undefined): number => {
  const text = (cell ?? '').trim().replace('\u2212', '-');
  return text === '' ? Number.NaN : Number(/^-?\d+,\d+$/.test(text) ? text.replace(',', '.') : text);
};

/** Tab, else semicolon, else comma: where the first two occur, a comma is a decimal one. */
const separator = (text: string): string => ['\t', ';'].find((mark) => text.includes(mark)) ?? ',';

type Line = TableRow & { readonly line: number };

const readLines = (text: string, columns: TableColumns, coding: Coding): Result<readonly Line[]> => {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: false, delimiter: separator(text) });
  const toSignal = (value: number) =>
    columns.reading === 'fraction'
      ? SCALES.fullCodePercent.toSignal(100 * value, coding)
      : SCALES[columns.reading].toSignal(value, coding);
  const lines: Line[] = [];
  for (const [n, cells] of data.entries()) {
    const blank = cells.every((cell) => cell.trim() === '');
    if (blank || cells[0].trim().startsWith('#')) continue;
    const [light, reading] = [number(cells[0]), number(cells[1])];
    if (!Number.isFinite(light) || !Number.isFinite(reading)) {
      if (lines.length === 0 && cells.every((cell) => !Number.isFinite(number(cell)))) continue;
      return failure(
        `line ${n + 1}`,
        `Line ${n + 1} needs two numbers, light and reading; it holds “${cells.join(' ').slice(0, 40)}”.`,
      );
    }
    const reflectance = columns.light === 'stops' ? stopsToReflectance(light) : light;
    if (reflectance < DARKEST_ROW)
      return failure(
        `line ${n + 1}`,
        `Line ${n + 1}: reflectance ${light} is under ${DARKEST_ROW}: check which column holds the light.`,
      );
    lines.push({ line: n + 1, reflectance, signal: toSignal(reading) });
    if (lines.length > MAX_ROWS)
      return failure(`line ${n + 1}`, `More than ${MAX_ROWS} rows: thin the table out.`);
  }
  return success(lines);
};

const notRising = (lines: readonly Line[]): Result<never> | undefined => {
  const bad = lines.flatMap(({ reflectance, signal, line }, i) => {
    const before = lines[i - 1];
    return before && !(reflectance > before.reflectance && signal > before.signal) ? [line] : [];
  });
  if (bad.length === 0) return undefined;
  const named = bad.slice(0, 6).join(', ');
  return failure(
    `line ${bad[0]}`,
    `Light and reading must rise from row to row; they do not at line ${named}${bad.length > 6 ? ' and more' : ''}.`,
  );
};

/**
 * A profile from a pasted table, two columns with or without a heading, separated by comma, semicolon or tab.
 * Rows may run either way; the last is taken as the clip. Monotone interpolation; a table has no band.
 */
export const profileFromTable = (
  text: string,
  columns: TableColumns,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  if (text.length > MAX_TEXT) return failure('table', 'The table is over a megabyte: thin it out.');
  const read = readLines(text, columns, coding);
  if (!read.ok) return read;
  const down =
    read.value.length > 1 && read.value[0].reflectance > read.value[read.value.length - 1].reflectance;
  const lines = down ? [...read.value].reverse() : read.value;
  if (lines.length < 4) return failure('table', `${lines.length} rows; a curve needs at least four.`);
  const wrong = notRising(lines);
  if (wrong) return wrong;
  const [first, last] = [lines[0], lines[lines.length - 1]];
  if (!(first.reflectance < 0.18 && last.reflectance > 0.18)) {
    return failure('table', 'Grey (18 %, 0 stops) must lie inside the table.');
  }
  const top = SCALES.fullCodePercent.toSignal(100, coding);
  if (last.signal > top + 0.001) {
    return failure(
      `line ${last.line}`,
      `Line ${last.line} reads over the top code: check what the column holds.`,
    );
  }
  const lowest = reflectanceToStops(first.reflectance);
  return success({
    profile: {
      curve: { kind: 'table', rows: lines.map(({ reflectance, signal }) => ({ reflectance, signal })) },
      gamut,
      clipStops: reflectanceToStops(last.reflectance),
    },
    residuals: [],
    warnings:
      lowest > -5
        ? [`The table starts at ${lowest.toFixed(1)} stops; under it the curve is only carried on.`]
        : [],
  });
};
