import type { TransferFunction } from './types.ts';

/** One row of a measured or printed curve. */
export type TableRow = {
  /** Scene reflectance, 1.0 = diffuse white. */
  readonly reflectance: number;
  /** Signal fraction. */
  readonly signal: number;
};

/** Curves go a little under black; light further under zero than this is a mistake, 1.0 = diffuse white. */
export const DARKEST_ROW = -1;

/** First row at which reflectance or signal does not rise; undefined when the table is strictly monotone. */
export const firstNonMonotoneRow = (rows: readonly TableRow[]): number | undefined => {
  for (let i = 1; i < rows.length; i += 1) {
    if (!(rows[i].reflectance > rows[i - 1].reflectance && rows[i].signal > rows[i - 1].signal)) return i;
  }
  return undefined;
};

// Fritsch & Butland 1984: weighted harmonic mean of the neighbouring slopes keeps a cubic monotone.
const tangents = (x: readonly number[], y: readonly number[]): number[] => {
  const n = x.length;
  const d = Array.from({ length: n - 1 }, (_, i) => (y[i + 1] - y[i]) / (x[i + 1] - x[i]));
  return Array.from({ length: n }, (_, i) => {
    if (i === 0) return d[0];
    if (i === n - 1) return d[n - 2];
    const before = x[i] - x[i - 1];
    const after = x[i + 1] - x[i];
    const w1 = 2 * after + before;
    const w2 = after + 2 * before;
    return (w1 + w2) / (w1 / d[i - 1] + w2 / d[i]);
  });
};

const segmentOf = (values: readonly number[], v: number): number => {
  let low = 0;
  let high = values.length - 2;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if (values[mid] <= v) low = mid;
    else high = mid - 1;
  }
  return low;
};

const monotoneCubic = (x: readonly number[], y: readonly number[]) => {
  const m = tangents(x, y);
  const inside = (i: number, v: number): number => {
    const h = x[i + 1] - x[i];
    const t = (v - x[i]) / h;
    const u = 1 - t;
    return (
      y[i] * (1 + 2 * t) * u * u +
      m[i] * h * t * u * u +
      y[i + 1] * t * t * (3 - 2 * t) -
      m[i + 1] * h * t * t * u
    );
  };
  const last = x.length - 1;
  const forward = (v: number): number => {
    if (v <= x[0]) return y[0] + m[0] * (v - x[0]);
    if (v >= x[last]) return y[last] + m[last] * (v - x[last]);
    return inside(segmentOf(x, v), v);
  };
  const inverse = (v: number): number => {
    if (v <= y[0]) return x[0] + (v - y[0]) / m[0];
    if (v >= y[last]) return x[last] + (v - y[last]) / m[last];
    const i = segmentOf(y, v);
    let low = x[i];
    let high = x[i + 1];
    for (let n = 0; n < 60; n += 1) {
      const mid = (low + high) / 2;
      if (inside(i, mid) < v) low = mid;
      else high = mid;
    }
    return (low + high) / 2;
  };
  return { forward, inverse };
};

/** Offset of the abscissa's logarithm: rows are interpolated over log2(x + 0.002), near-linear close to black. */
const SOFT_BLACK = 0.002;
const BLACK = Math.log2(SOFT_BLACK);
/** Slope of that logarithm at black: under it the axis goes on straight, so that light under zero has a place. */
const UNDER_BLACK = 1 / (SOFT_BLACK * Math.LN2);

const toAxis = (x: number) => (x >= 0 ? Math.log2(x + SOFT_BLACK) : BLACK + UNDER_BLACK * x);
const fromAxis = (a: number) => (a >= BLACK ? 2 ** a - SOFT_BLACK : (a - BLACK) / UNDER_BLACK);

/**
 * A measured curve as a pair: monotone cubic over log2(reflectance + 0.002), under black over the reflectance
 * itself; continued by its end slopes. Rows of light under zero (noise about black, a file's undershoot) count.
 * @throws RangeError with fewer than two rows, or rows that do not rise.
 */
export const tableTransfer = (rows: readonly TableRow[]): TransferFunction => {
  if (rows.length < 2) throw new RangeError(`tableTransfer: at least two rows, got ${rows.length}`);
  const bad = firstNonMonotoneRow(rows);
  if (bad !== undefined) throw new RangeError(`tableTransfer: row ${bad + 1} does not rise over row ${bad}`);
  const { forward, inverse } = monotoneCubic(
    rows.map((row) => toAxis(row.reflectance)),
    rows.map((row) => row.signal),
  );
  return { encode: (x) => forward(toAxis(x)), decode: (y) => fromAxis(inverse(y)) };
};
