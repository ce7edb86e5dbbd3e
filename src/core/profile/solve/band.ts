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
const DRAWS = 500;

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

/** Curves drawn from the posterior, as signals at the band's stops. Always the same draws. */
export const drawCurves = (posterior: Posterior): Float64Array[] => {
  const { nodes, fitters } = posterior;
  const normal = gaussian(seededRandom(95));
  const curves: Float64Array[] = [];
  let at = 0;
  let reached = nodes[0].weight;
  let fit: LinearFit | undefined;
  let fitted = -1;
  for (let n = 0; n < DRAWS; n += 1) {
    while (reached < (n + 0.5) / DRAWS && at < nodes.length - 1) reached += nodes[(at += 1)].weight;
    if (fitted !== at) fit = fitters[nodes[at].setting].fit(nodes[at].logS, nodes[at].cut);
    fitted = at;
    if (fit) curves.push(signalsOf(drawn(fit, normal), nodes[at], posterior));
  }
  return curves;
};

/** A band about a centre that holds 95 % of the curves over their whole length. */
export const bandAbout = (centre: ArrayLike<number>, curves: readonly Float64Array[]): UncertaintyBand => {
  const spread = BAND_STOPS.map((_, i) => {
    let sum = 0;
    for (const curve of curves) sum += (curve[i] - centre[i]) ** 2;
    return Math.max(1e-7, Math.sqrt(sum / curves.length));
  });
  const worst = curves.map((curve) => {
    let most = 0;
    for (let i = 0; i < BAND_STOPS.length; i += 1)
      most = Math.max(most, Math.abs(curve[i] - centre[i]) / spread[i]);
    return most;
  });
  worst.sort((a, b) => a - b);
  const reach = worst[Math.ceil(BAND_NOMINAL * worst.length) - 1];
  const signal = spread.map((sd) => reach * sd);
  const last = BAND_STOPS.length - 1;
  const stopsWide = signal.map((half, i) => {
    const [a, b] = [Math.max(0, i - 1), Math.min(last, i + 1)];
    return half / ((centre[b] - centre[a]) / (BAND_STOPS[b] - BAND_STOPS[a]));
  });
  return { stops: BAND_STOPS, signal, stopsWide };
};
