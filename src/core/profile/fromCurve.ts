import type { GamutSpec } from '../colour/gamut.ts';
import type { SampledCurve } from './sampledCurve.ts';
import { failure, success, type Result } from '../result.ts';
import { SCALES, type Coding } from '../signal/scale.ts';
import type { TableRow } from '../transfer/index.ts';
import { MIDDLE_GREY, printStopsDecimal, reflectanceToStops } from '../units.ts';
import type { ProfileSolution } from './solution.ts';
import { doesNotRise, flatRowsCut } from './profileWords.ts';

/** How a file's numbers are meant. */
export type CurveMeaning = {
  readonly direction: 'codeToLight' | 'lightToCode';
  /** The file's linear value of an 18 % card. */
  readonly grey: number;
  /** What code 1.0 is. */
  readonly unit: 'topCode' | 'signal';
  /** Clip in stops over grey; without it the curve ends where the file does. */
  readonly clipStops?: number;
};

const MAX_ROWS = 1024;

/** Which way a curve runs: more than 1 is light; else a decoding curve lies under the diagonal at its middle. */
export const guessDirection = ({ x, y }: SampledCurve): CurveMeaning['direction'] => {
  if (x[x.length - 1] > 1.001) return 'lightToCode';
  if (Math.max(y[0], y[y.length - 1]) > 1.001) return 'codeToLight';
  const mid = x.findIndex((v) => v >= (x[0] + x[x.length - 1]) / 2);
  return y[mid] < x[mid] ? 'codeToLight' : 'lightToCode';
};

type Pair = TableRow & { readonly index: number };

/** Rows without the flat runs at both ends: there the file clips. */
const withoutFlatEnds = (pairs: readonly Pair[], value: (pair: Pair) => number): readonly Pair[] => {
  let [first, last] = [0, pairs.length - 1];
  while (first < last && value(pairs[first + 1]) === value(pairs[first])) first += 1;
  while (last > first && value(pairs[last - 1]) === value(pairs[last])) last -= 1;
  return pairs.slice(first, last + 1);
};

/** Names the rows that were cut at both ends; the row that is left of a flat run is the clip itself. */
const cutRows = (all: readonly Pair[], kept: readonly Pair[], rowAt: SampledCurve['rowAt']): string[] => {
  const [first, last] = [kept[0].index, kept[kept.length - 1].index];
  const end = all[all.length - 1].index;
  const spans: string[] = [];
  if (first > 0) spans.push(first === 1 ? rowAt(0) : `${rowAt(0)} to ${rowAt(first - 1)}`);
  if (last < end) spans.push(last + 1 === end ? rowAt(end) : `${rowAt(last + 1)} to ${rowAt(end)}`);
  return spans.length > 0 ? [flatRowsCut(spans)] : [];
};

/** At most so many rows, evenly over the signal; the ends stay. */
const thinned = (rows: readonly Pair[]): readonly Pair[] => {
  if (rows.length <= MAX_ROWS) return rows;
  const [low, high] = [rows[0].signal, rows[rows.length - 1].signal];
  const step = (high - low) / (MAX_ROWS - 1);
  let next = low;
  return rows.filter(({ signal }, i) => {
    if (signal < next - 1e-12 && i < rows.length - 1) return false;
    while (next <= signal) next += step;
    return true;
  });
};

/**
 * A profile from a file's curve: one-dimensional `.cube` or the 1D part of a CLF, either way round. Flat ends are taken
 * as clipped; rows that fall in between are named. Monotone interpolation, no band.
 */
export const profileFromCurve = (
  curve: SampledCurve,
  { direction, grey, unit, clipStops }: CurveMeaning,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  if (!(grey > 0)) return failure('grey', 'Type the file’s linear value of an 18 % card, such as 0.18.');
  const toSignal = (code: number) =>
    unit === 'signal' ? code : SCALES.fullCodePercent.toSignal(100 * code, coding);
  const decodes = direction === 'codeToLight';
  const all = curve.x.map((x, index): Pair => {
    const [code, light] = decodes ? [x, curve.y[index]] : [curve.y[index], x];
    return { index, signal: toSignal(code), reflectance: (light / grey) * MIDDLE_GREY };
  });
  const trimmed = withoutFlatEnds(all, decodes ? (p) => p.reflectance : (p) => p.signal);
  const bad = trimmed.flatMap((pair, i) => {
    const before = trimmed[i - 1];
    const rises = !before || (pair.reflectance > before.reflectance && pair.signal > before.signal);
    return rises ? [] : [curve.rowAt(pair.index)];
  });
  if (bad.length > 0) return failure(bad[0], doesNotRise(bad));
  const rows = thinned(trimmed);
  if (rows.length < 4) return failure('file', `${rows.length} rising rows; a curve needs at least four.`);
  const [first, last] = [rows[0], rows[rows.length - 1]];
  if (!(first.reflectance < MIDDLE_GREY && last.reflectance > MIDDLE_GREY))
    return failure(
      'grey',
      `Grey at ${grey} lies outside the file’s light: check which way it runs, and grey.`,
    );
  const end = reflectanceToStops(last.reflectance);
  const clip = Math.min(clipStops ?? end, end);
  return success({
    profile: {
      curve: { kind: 'table', rows: rows.map(({ reflectance, signal }) => ({ reflectance, signal })) },
      gamut,
      clipStops: clip,
    },
    residuals: [],
    warnings: [
      ...curve.notes,
      ...cutRows(all, trimmed, curve.rowAt),
      ...(clipStops === undefined
        ? [`No clip typed: taken where the file ends, ${printStopsDecimal(end)} over grey.`]
        : []),
      ...(clipStops !== undefined && clipStops > end
        ? [`The file ends at ${printStopsDecimal(end)}: the clip is taken there.`]
        : []),
    ],
  });
};
