import type { CurveReading } from '../types.ts';
import { BUMPS, bumpsAt, SERIES_OFFSET, type FormModel } from './errorModel.ts';
import { ALL_TOES, basis, toePrior } from './logForm.ts';
import { roundedAgainstNormal } from './rounding.ts';

/** Readings as the fit wants them. */
export type Evidence = {
  readonly points: readonly CurveReading[];
  /** How much the curve rises in a stop at each point, signal fraction: what an error of place comes to. */
  readonly perStop: readonly number[];
  /** Which series each point belongs to; -1 for none. */
  readonly series: readonly number[];
  /** The column of a series whose nominal may lie a little off; -1 for none. */
  readonly offsetColumn: readonly number[];
  readonly offsets: number;
};

/** One way the readings may have come about: a form, and how far a bracket's steps lie off. */
export type Setting = { readonly form: FormModel; readonly stepSd: number; readonly logShare: number };

/** The curve's linear part for one toe: weights of the columns. */
export type LinearFit = {
  /** c, d, then the weights of the departures; means. */
  readonly mean: Float64Array;
  /** Lower Cholesky factor of the precision, row after row, `width` wide. */
  readonly factor: Float64Array;
  readonly width: number;
};

/** Columns of a curve at light x: what its linear part multiplies. Fills `row` from 0 on; returns how many. */
export const curveColumns = (
  row: Float64Array,
  x: number,
  toe: { readonly s: number; readonly cut: number },
  form: FormModel,
  slope: number,
  bumps: ArrayLike<number>,
): number => {
  const { s, cut } = toe;
  row[0] = form.published ? form.published.encode(x) : basis(x, s, cut);
  row[1] = 1;
  let at = 2;
  if (form.kink > 0) {
    const under = Math.min(0, x - cut);
    const tangent = (form.kink * slope) / (Math.LN10 * (cut + s));
    row[at++] = tangent * under;
    row[at++] = cut > 0 ? (tangent * under * under) / cut : 0;
  }
  if (form.bend > 0) for (let j = 0; j < BUMPS; j += 1) row[at++] = form.bend * bumps[j];
  return at;
};

/** How many columns a form has. */
const widthOf = (form: FormModel): number => 2 + (form.kink > 0 ? 2 : 0) + (form.bend > 0 ? BUMPS : 0);

/** Factors a symmetric positive matrix (lower half, row-major) in place; false where it is not positive. */
const factorise = (a: Float64Array, width: number): boolean => {
  for (let i = 0; i < width; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = a[i * width + j];
      for (let k = 0; k < j; k += 1) sum -= a[i * width + k] * a[j * width + k];
      if (i === j) {
        if (!(sum > 0)) return false;
        a[i * width + i] = Math.sqrt(sum);
      } else a[i * width + j] = sum / a[j * width + j];
    }
  }
  return true;
};

/**
 * The linear part of a curve, given its toe, by least squares with the departures held by their prior
 * (Bayesian linear regression, conjugate normal).
 */
export const linearFit = (evidence: Evidence, { form, stepSd }: Setting, slope: number) => {
  const { points, perStop, series, offsetColumn, offsets } = evidence;
  const own = widthOf(form);
  const width = own + offsets;
  const n = points.length;
  const x = Float64Array.from(points, (p) => p.reflectance);
  const y = Float64Array.from(points, (p) => p.signal);
  const weight = Float64Array.from(points, ({ sigma, placeSd = 0 }, i) => {
    const step = series[i] < 0 ? 0 : stepSd;
    return 1 / (sigma ** 2 + perStop[i] ** 2 * (placeSd ** 2 + step ** 2));
  });
  let logWeights = 0;
  for (const w of weight) logWeights += Math.log(w);
  const bumps = form.bend > 0 ? points.map((p) => bumpsAt(p.reflectance)) : [];
  const row = new Float64Array(width);
  const a = new Float64Array(width * width);
  const b = new Float64Array(width);
  let power = 0;

  const rowOf = (i: number, toe: { readonly s: number; readonly cut: number }) => {
    curveColumns(row, x[i], toe, form, slope, bumps[i]);
    for (let g = 0; g < offsets; g += 1)
      row[own + g] = offsetColumn[i] === g ? SERIES_OFFSET * perStop[i] : 0;
  };
  const gather = (toe: { readonly s: number; readonly cut: number }) => {
    a.fill(0);
    b.fill(0);
    power = 0;
    for (let i = 0; i < n; i += 1) {
      rowOf(i, toe);
      const w = weight[i];
      for (let j = 0; j < width; j += 1) {
        const wj = w * row[j];
        b[j] += wj * y[i];
        for (let k = 0; k <= j; k += 1) a[j * width + k] += wj * row[k];
      }
      power += w * y[i] * y[i];
    }
    for (let j = 2; j < width; j += 1) a[j * width + j] += 1;
  };
  /** b becomes L^-1 b; returns its square length. */
  const forward = (): number => {
    let length = 0;
    for (let i = 0; i < width; i += 1) {
      let sum = b[i];
      for (let k = 0; k < i; k += 1) sum -= a[i * width + k] * b[k];
      b[i] = sum / a[i * width + i];
      length += b[i] * b[i];
    }
    return length;
  };
  const backward = () => {
    for (let i = width - 1; i >= 0; i -= 1) {
      let sum = b[i];
      for (let k = i + 1; k < width; k += 1) sum -= a[k * width + i] * b[k];
      b[i] = sum / a[i * width + i];
    }
  };

  /** Log of the posterior density of a toe with the linear part integrated out; -Infinity where it does not rise. */
  const logDensity = (logS: number, cut: number): number => {
    gather({ s: 10 ** logS, cut });
    if (!factorise(a, width)) return -Infinity;
    const fitted = forward();
    let logDet = 0;
    for (let i = 0; i < width; i += 1) logDet += Math.log(a[i * width + i]);
    backward();
    if (!(b[0] > 0)) return -Infinity;
    return (
      0.5 * logWeights - 0.5 * (power - fitted) - logDet + (form.published ? ALL_TOES : toePrior(logS, cut))
    );
  };
  /** How much likelier a curve is for readings that were rounded than as if their errors were normal, log. */
  const roundedLog = (weights: Float64Array, logS: number, cut: number): number => {
    let sum = 0;
    for (let i = 0; i < n; i += 1) {
      const { rounded, sigma } = points[i];
      if (!rounded) continue;
      rowOf(i, { s: 10 ** logS, cut });
      let signal = 0;
      for (let j = 0; j < width; j += 1) signal += row[j] * weights[j];
      const place = Math.sqrt(Math.max(0, 1 / weight[i] - sigma ** 2));
      sum += roundedAgainstNormal(y[i] - signal, sigma, place);
    }
    return sum;
  };
  const fit = (logS: number, cut: number): LinearFit | undefined =>
    logDensity(logS, cut) === -Infinity ? undefined : { mean: b.slice(), factor: a.slice(), width };
  return { logDensity, roundedLog, fit };
};

export type Fitter = ReturnType<typeof linearFit>;
