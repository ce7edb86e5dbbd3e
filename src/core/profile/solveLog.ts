import { gaussian, seededRandom } from '../random.ts';
import { logTransfer, tangentLog, type LogCoefficients } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import { basis, expectedCurve, posteriorOf, type Candidate, type Posterior } from './logPosterior.ts';
import type { CurveReading, UncertaintyBand } from './types.ts';

const BAND_STOPS = Array.from({ length: 49 }, (_, i) => -8 + i / 3);
const BAND_BASIS_X = BAND_STOPS.map(stopsToReflectance);
/** Share of possible curves that lie inside the band over its whole length. */
const BAND_NOMINAL = 0.95;
const DRAWS = 400;

/** Mean and variance of the signal at x about the best curve (law of total variance). */
const spreadAt = ({ candidates, weights, best }: Posterior, x: number): number => {
  const centre = best.c * basis(x, best.s, best.cut) + best.d;
  let variance = 0;
  candidates.forEach(({ s, cut, c, d, cov }, i) => {
    const g = basis(x, s, cut);
    const off = c * g + d - centre;
    variance += weights[i] * (off * off + cov[0] * g * g + 2 * cov[1] * g + cov[2]);
  });
  return Math.sqrt(Math.max(0, variance));
};

/** Curves drawn from the posterior: toes by their weight, line by its covariance. Always the same draws. */
const drawSamples = ({ candidates, weights }: Posterior): Candidate[] => {
  const normal = gaussian(seededRandom(95));
  const curves: Candidate[] = [];
  let at = 0;
  let reached = weights[0];
  for (let n = 0; n < DRAWS; n += 1) {
    while (reached < (n + 0.5) / DRAWS && at < candidates.length - 1) reached += weights[(at += 1)];
    const { cov, c, d } = candidates[at];
    const sdC = Math.sqrt(cov[0]);
    const u = normal();
    const rest = Math.sqrt(Math.max(0, cov[2] - (cov[1] * cov[1]) / cov[0]));
    curves.push({
      ...candidates[at],
      c: c + sdC * u,
      d: d + (cov[1] / sdC) * u + rest * normal(),
    });
  }
  return curves;
};

/** How many standard deviations hold that share of the drawn curves at every stop at once. */
const reachOf = (posterior: Posterior, spread: readonly number[]): number => {
  const { best } = posterior;
  const centre = BAND_BASIS_X.map((x) => best.c * basis(x, best.s, best.cut) + best.d);
  const worst = drawSamples(posterior).map(({ s, cut, c, d }) =>
    BAND_BASIS_X.reduce(
      (most, x, i) => Math.max(most, Math.abs(c * basis(x, s, cut) + d - centre[i]) / spread[i]),
      0,
    ),
  );
  worst.sort((a, b) => a - b);
  return worst[Math.ceil(BAND_NOMINAL * DRAWS) - 1];
};

const bandOf = (posterior: Posterior): UncertaintyBand => {
  const { best } = posterior;
  const spread = BAND_BASIS_X.map((x) => spreadAt(posterior, x));
  const reach = reachOf(posterior, spread);
  const encode = (stops: number) => best.c * basis(stopsToReflectance(stops), best.s, best.cut) + best.d;
  const signal = spread.map((sd) => reach * sd);
  return {
    stops: BAND_STOPS,
    signal,
    stopsWide: BAND_STOPS.map((over, i) => signal[i] / ((encode(over + 0.05) - encode(over - 0.05)) / 0.1)),
  };
};

const checkCount = (name: string, points: readonly CurveReading[], fewest: number): void => {
  if (points.length < fewest)
    throw new RangeError(`${name}: at least ${fewest} points, got ${points.length}`);
};

const checkRising = (points: readonly CurveReading[]): void => {
  checkCount('solveLog', points, 2);
  const falls = points.some(
    (p, i) => i > 0 && !(p.reflectance > points[i - 1].reflectance && p.signal > points[i - 1].signal),
  );
  if (falls) throw new RangeError('solveLog: reflectance and signal must rise from point to point');
};

const coefficientsOf = ({ s, cut, c, d }: Candidate): LogCoefficients => tangentLog(s, cut, c, d);

/**
 * The best curve alone, without its band, for trying many sets of points; the readings need not rise.
 * @throws RangeError with fewer than three points.
 */
export const fitLog = (points: readonly CurveReading[]): LogCoefficients => {
  checkCount('fitLog', points, 3);
  return coefficientsOf(expectedCurve(points));
};

export type LogSolution = {
  readonly coefficients: LogCoefficients;
  /** Holds 95 % of the curves that may be, over its whole length; each third of a stop from -8 to +8. */
  readonly band: UncertaintyBand;
  /** Typed minus curve, signal fraction, one for each point. */
  readonly residuals: readonly number[];
};

/**
 * The general log form through two points or more, under the documented prior: the expected one.
 * Points: scene reflectance (1.0 = diffuse white) and signal fraction with its standard deviation, rising.
 * @throws RangeError with fewer than two points or when they do not rise.
 */
export const solveLog = (points: readonly CurveReading[]): LogSolution => {
  checkRising(points);
  const posterior = posteriorOf(points);
  const coefficients = coefficientsOf(posterior.best);
  const { encode } = logTransfer(coefficients);
  return {
    coefficients,
    band: bandOf(posterior),
    residuals: points.map((p) => p.signal - encode(p.reflectance)),
  };
};
