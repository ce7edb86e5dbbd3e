import { logTransfer, tangentLog, type LogCoefficients } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import type { CurveReading, UncertaintyBand } from './types.ts';

// y = c log10(x + s) + d with the tangent line below `cut`. For given (s, cut) it is linear in (c, d), so the
// pair is searched on a grid and (c, d) solved. Anchors leave the toe loose: a prior says where toes of real
// log curves lie, log10 s ~ N(-1.87, 0.29) and cut ~ N(0.005, 0.005) (our own survey of some twenty curves).
const PRIOR = { logS: { mean: -1.87, sd: 0.29 }, cut: { mean: 0.005, sd: 0.005 } } as const;
const GRID = { logS: [-3.2, -0.6], cut: [0, 0.02] } as const;
const COARSE = { logS: 79, cut: 17 } as const;
const SPARSE = { logS: 27, cut: 9 } as const;
const FINE = { logS: 11, cut: 7 } as const;
const FINE_ROUNDS = 6;

const square = (value: number) => value * value;

type Candidate = {
  readonly s: number;
  readonly cut: number;
  readonly c: number;
  readonly d: number;
  /** Covariance of (c, d). */
  readonly cov: readonly [cc: number, cd: number, dd: number];
  /** Log of the posterior density, up to a constant. */
  readonly logWeight: number;
  readonly misfit: number;
};

const basis = (x: number, s: number, cut: number): number =>
  x >= cut ? Math.log10(x + s) : Math.log10(cut + s) + (x - cut) / (Math.LN10 * (cut + s));

const candidateAt = (points: readonly CurveReading[], logS: number, cut: number): Candidate | undefined => {
  const s = 10 ** logS;
  let [sgg, sg, sw, sgy, sy] = [0, 0, 0, 0, 0];
  for (const point of points) {
    const g = basis(point.reflectance, s, cut);
    const w = 1 / square(point.sigma);
    sgg += w * g * g;
    sg += w * g;
    sw += w;
    sgy += w * g * point.signal;
    sy += w * point.signal;
  }
  const det = sgg * sw - sg * sg;
  const c = (sw * sgy - sg * sy) / det;
  const d = (sgg * sy - sg * sgy) / det;
  if (!(det > 0 && c > 0)) return undefined;
  const chi = points.reduce(
    (sum, p) => sum + square((p.signal - c * basis(p.reflectance, s, cut) - d) / p.sigma),
    0,
  );
  const prior =
    square((logS - PRIOR.logS.mean) / PRIOR.logS.sd) + square((cut - PRIOR.cut.mean) / PRIOR.cut.sd);
  return {
    s,
    cut,
    c,
    d,
    cov: [sw / det, -sg / det, sgg / det],
    misfit: chi + prior,
    logWeight: -0.5 * (chi + prior) - 0.5 * Math.log(det),
  };
};

const steps = ([low, high]: readonly [number, number], count: number): number[] =>
  Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));

const gridOf = (
  points: readonly CurveReading[],
  logS: readonly [number, number],
  cut: readonly [number, number],
  size: { readonly logS: number; readonly cut: number },
): Candidate[] =>
  steps(logS, size.logS).flatMap((l) => steps(cut, size.cut).flatMap((k) => candidateAt(points, l, k) ?? []));

const bestOf = (candidates: readonly Candidate[]): Candidate =>
  candidates.reduce((best, next) => (next.misfit < best.misfit ? next : best));

/** Closes in on the best candidate: each round a finer grid around it, a third as wide as the last. */
const refine = (points: readonly CurveReading[], start: Candidate): Candidate => {
  let best = start;
  let [widthS, widthCut] = [0.04, 0.0015];
  for (let round = 0; round < FINE_ROUNDS; round += 1) {
    const logS = Math.log10(best.s);
    const aroundS = [logS - widthS, logS + widthS] as const;
    const aroundCut = [Math.max(0, best.cut - widthCut), best.cut + widthCut] as const;
    best = bestOf([best, ...gridOf(points, aroundS, aroundCut, FINE)]);
    widthS /= 3;
    widthCut /= 2.5;
  }
  return best;
};

/** Mean and variance of the signal at x over all candidates, each by its weight (law of total variance). */
const spreadAt = (candidates: readonly Candidate[], weights: readonly number[], x: number): number => {
  let [mean, second, inner] = [0, 0, 0];
  candidates.forEach(({ s, cut, c, d, cov }, i) => {
    const g = basis(x, s, cut);
    const y = c * g + d;
    mean += weights[i] * y;
    second += weights[i] * y * y;
    inner += weights[i] * (cov[0] * g * g + 2 * cov[1] * g + cov[2]);
  });
  return Math.sqrt(Math.max(0, second - mean * mean + inner));
};

const BAND_STOPS = Array.from({ length: 49 }, (_, i) => -8 + i / 3);

const bandOf = (candidates: readonly Candidate[], best: LogCoefficients): UncertaintyBand => {
  const top = Math.max(...candidates.map((candidate) => candidate.logWeight));
  const kept = candidates.filter((candidate) => candidate.logWeight > top - 12);
  const raw = kept.map((candidate) => Math.exp(candidate.logWeight - top));
  const total = raw.reduce((sum, w) => sum + w, 0);
  const weights = raw.map((w) => w / total);
  const { encode } = logTransfer(best);
  const signal = BAND_STOPS.map((over) => 2 * spreadAt(kept, weights, stopsToReflectance(over)));
  return {
    stops: BAND_STOPS,
    signal,
    stopsWide: BAND_STOPS.map((over, i) => {
      const slope = encode(stopsToReflectance(over + 0.05)) - encode(stopsToReflectance(over - 0.05));
      return signal[i] / (slope / 0.1);
    }),
  };
};

const checkRising = (points: readonly CurveReading[]): void => {
  if (points.length < 3) throw new RangeError(`solveLog: at least three points, got ${points.length}`);
  const falls = points.some(
    (p, i) => i > 0 && !(p.reflectance > points[i - 1].reflectance && p.signal > points[i - 1].signal),
  );
  if (falls) throw new RangeError('solveLog: reflectance and signal must rise from point to point');
};

/**
 * The best curve alone, without its band, for trying many sets of points; the readings need not rise.
 * @throws RangeError with fewer than three points.
 */
export const fitLog = (points: readonly CurveReading[]): LogCoefficients => {
  if (points.length < 3) throw new RangeError(`fitLog: at least three points, got ${points.length}`);
  const { s, cut, c, d } = refine(points, bestOf(gridOf(points, GRID.logS, GRID.cut, SPARSE)));
  return tangentLog(s, cut, c, d);
};

export type LogSolution = {
  readonly coefficients: LogCoefficients;
  /** Two standard deviations at each third of a stop from -8 to +8. */
  readonly band: UncertaintyBand;
  /** Typed minus curve, signal fraction, one for each point. */
  readonly residuals: readonly number[];
};

/**
 * The general log form through at least three points, most probable under the documented prior.
 * Points: scene reflectance (1.0 = diffuse white) and signal fraction with its standard deviation, rising.
 * A `sparse` grid is a tenth of the work and good enough to compare bands.
 * @throws RangeError with fewer than three points or when they do not rise.
 */
export const solveLog = (
  points: readonly CurveReading[],
  grid: 'coarse' | 'sparse' = 'coarse',
): LogSolution => {
  checkRising(points);
  const candidates = gridOf(points, GRID.logS, GRID.cut, grid === 'coarse' ? COARSE : SPARSE);
  const { s, cut, c, d } = refine(points, bestOf(candidates));
  const coefficients = tangentLog(s, cut, c, d);
  const { encode } = logTransfer(coefficients);
  return {
    coefficients,
    band: bandOf(candidates, coefficients),
    residuals: points.map((p) => p.signal - encode(p.reflectance)),
  };
};
