import { gaussian, seededRandom } from '../../random.ts';
import { stopsToReflectance } from '../../units.ts';
import type { UncertaintyBand } from '../types.ts';
import { bumpsAt } from './errorModel.ts';
import { curveColumns, type LinearFit } from './linearFit.ts';
import type { Posterior, PosteriorNode } from './posterior.ts';

export const BAND_STOPS = Array.from({ length: 49 }, (_, i) => -8 + i / 3);
const BAND_X = BAND_STOPS.map(stopsToReflectance);
const BAND_BUMPS = BAND_X.map(bumpsAt);
/** Share of possible curves that lie inside the band over its whole length. */
const BAND_NOMINAL = 0.95;
/** Curves drawn; of a bracket, which takes longer to solve and leaves less open, fewer. */
const DRAWS = { few: 1500, bracket: 600 } as const;

/** Weights of the columns drawn from a fit: mean + L^-T z. */
const drawn = ({ mean, factor, width }: LinearFit, normal: () => number): Float64Array => {
  const z = new Float64Array(width);
  for (let i = 0; i < width; i += 1) z[i] = normal();
  for (let i = width - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < width; k += 1) z[i] -= factor[k * width + i] * z[k];
    z[i] /= factor[i * width + i];
  }
  for (let i = 0; i < width; i += 1) z[i] += mean[i];
  return z;
};

/** The signal at every stop of the band of a curve with these weights. */
const signalsOf = (
  weights: Float64Array,
  { logS, cut, setting }: Pick<PosteriorNode, 'logS' | 'cut' | 'setting'>,
  { settings, slope }: Posterior,
): Float64Array => {
  const row = new Float64Array(weights.length);
  const toe = { s: 10 ** logS, cut };
  const signals = new Float64Array(BAND_X.length);
  for (let at = 0; at < BAND_X.length; at += 1) {
    const own = curveColumns(row, BAND_X[at], toe, settings[setting].form, slope, BAND_BUMPS[at]);
    for (let j = 0; j < own; j += 1) signals[at] += weights[j] * row[j];
  }
  return signals;
};

/** A curve that may be, as signals at the band's stops, and how much it counts. */
export type DrawnCurve = { readonly signals: Float64Array; readonly weight: number };

/**
 * Curves drawn from the posterior; each counts for as much as it is likelier for readings that were rounded than for
 * normal errors as wide (importance weights, mean 1). Always the same draws.
 */
export const drawCurves = (posterior: Posterior): DrawnCurve[] => {
  const { nodes, fitters, settings } = posterior;
  const draws = settings.some(({ stepSd }) => stepSd > 0) ? DRAWS.bracket : DRAWS.few;
  const normal = gaussian(seededRandom(95));
  const curves: { readonly signals: Float64Array; readonly log: number }[] = [];
  let at = 0;
  let reached = nodes[0].weight;
  let fit: LinearFit | undefined;
  let fitted = -1;
  for (let n = 0; n < draws; n += 1) {
    while (reached < (n + 0.5) / draws && at < nodes.length - 1) reached += nodes[(at += 1)].weight;
    const { logS, cut, setting } = nodes[at];
    if (fitted !== at) fit = fitters[setting].fit(logS, cut);
    fitted = at;
    if (!fit) continue;
    const weights = drawn(fit, normal);
    curves.push({
      signals: signalsOf(weights, nodes[at], posterior),
      log: fitters[setting].roundedLog(weights, logS, cut),
    });
  }
  const highest = Math.max(...curves.map(({ log }) => log));
  const all = curves.reduce((sum, { log }) => sum + Math.exp(log - highest), 0);
  return curves.map(({ signals, log }) => ({
    signals,
    weight: (curves.length * Math.exp(log - highest)) / all,
  }));
};

/** A band about a centre that holds 95 % of the curves over their whole length. */
export const bandAbout = (centre: ArrayLike<number>, curves: readonly DrawnCurve[]): UncertaintyBand => {
  const spread = BAND_STOPS.map((_, i) => {
    let sum = 0;
    for (const { signals, weight } of curves) sum += weight * (signals[i] - centre[i]) ** 2;
    return Math.max(1e-7, Math.sqrt(sum / curves.length));
  });
  const worst = curves.map(({ signals, weight }) => {
    let most = 0;
    for (let i = 0; i < BAND_STOPS.length; i += 1)
      most = Math.max(most, Math.abs(signals[i] - centre[i]) / spread[i]);
    return { most, weight };
  });
  worst.sort((a, b) => a.most - b.most);
  let inside = 0;
  const reach = (
    worst.find(({ weight }) => (inside += weight) >= BAND_NOMINAL * curves.length) ?? worst[worst.length - 1]
  ).most;
  const signal = spread.map((sd) => reach * sd);
  const last = BAND_STOPS.length - 1;
  const stopsWide = signal.map((half, i) => {
    const [a, b] = [Math.max(0, i - 1), Math.min(last, i + 1)];
    return half / ((centre[b] - centre[a]) / (BAND_STOPS[b] - BAND_STOPS[a]));
  });
  return { stops: BAND_STOPS, signal, stopsWide };
};
