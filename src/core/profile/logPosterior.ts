import type { CurveReading } from './types.ts';

// y = c log10(x + s) + d with the tangent line below `cut`. For given (s, cut) it is linear in (c, d), so only that
// pair is searched. Anchors leave the toe loose: a prior says where toes of real log curves lie,
// log10 s about -1.87 +- 0.29 and cut ~ N(0.005, 0.005), cut >= 0 (our own survey of some twenty curves). Its tails are
// Student's with three degrees of freedom: some curves, ACEScct among them, have hardly any s at all.
const PRIOR = { logS: { mean: -1.87, sd: 0.29 }, cut: { mean: 0.005, sd: 0.005 } } as const;

const TAIL = 3;
const LOG_S = [-5, -0.3] as const;
const CUT = [0, 0.025] as const;
const SCAN = 36;
const GOLDEN_STEPS = 26;
const CUTS = 17;
const ROUNDS = 3;
/** Log of the density, under the peak, beyond which a place is left out. */
const NEGLIGIBLE = 10;
/** Nodes across the width of the toe, in its standard deviations. */
const NODES = [-3.6, -2.7, -1.8, -0.9, 0, 0.9, 1.8, 2.7, 3.6] as const;

const square = (value: number) => value * value;

/** One possible curve: its toe, the best line through it, and how probable it is. */
export type Candidate = {
  readonly logS: number;
  readonly s: number;
  readonly cut: number;
  readonly c: number;
  readonly d: number;
  /** Covariance of (c, d). */
  readonly cov: readonly [cc: number, cd: number, dd: number];
  /** Chi-square of the readings and the prior. */
  readonly misfit: number;
  /** Log of the posterior density with (c, d) integrated out, up to a constant. */
  readonly logDensity: number;
};

/** log10(x + s) above the cut and its tangent below: what c multiplies. */
export const basis = (x: number, s: number, cut: number): number =>
  x >= cut ? Math.log10(x + s) : Math.log10(cut + s) + (x - cut) / (Math.LN10 * (cut + s));

/** The best (c, d) for a toe; undefined where the curve would not rise. */
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
  let chi = 0;
  for (const p of points) chi += square((p.signal - c * basis(p.reflectance, s, cut) - d) / p.sigma);
  const prior =
    (TAIL + 1) * Math.log1p(square((logS - PRIOR.logS.mean) / PRIOR.logS.sd) / TAIL) +
    square((cut - PRIOR.cut.mean) / PRIOR.cut.sd);
  return {
    logS,
    s,
    cut,
    c,
    d,
    cov: [sw / det, -sg / det, sgg / det],
    misfit: chi + prior,
    logDensity: -0.5 * (chi + prior) - 0.5 * Math.log(det),
  };
};

const steps = ([low, high]: readonly [number, number], count: number): number[] =>
  Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));

/** Where a function of one variable is largest between low and high, by golden section. */
const golden = (f: (v: number) => number, low: number, high: number): number => {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  let [p, q] = [b - ratio * (b - a), a + ratio * (b - a)];
  let [fp, fq] = [f(p), f(q)];
  for (let i = 0; i < GOLDEN_STEPS; i += 1) {
    if (fp > fq) {
      [b, q, fq] = [q, p, fp];
      p = b - ratio * (b - a);
      fp = f(p);
    } else {
      [a, p, fp] = [p, q, fq];
      q = a + ratio * (b - a);
      fq = f(q);
    }
  }
  return (a + b) / 2;
};

type Ridge = { readonly cut: number; readonly peak: Candidate; readonly width: number };

/** The best toe for one cut, and the standard deviation of log10 s about it. */
const ridgeAt = (points: readonly CurveReading[], cut: number): Ridge | undefined => {
  const density = (logS: number) => candidateAt(points, logS, cut)?.logDensity ?? -Infinity;
  const scan = steps(LOG_S, SCAN);
  const heights = scan.map(density);
  const top = heights.indexOf(Math.max(...heights));
  const at = golden(density, scan[Math.max(0, top - 1)], scan[Math.min(SCAN - 1, top + 1)]);
  const peak = candidateAt(points, at, cut);
  if (!peak) return undefined;
  const step = 1e-3;
  const bend = (density(at - step) + density(at + step) - 2 * peak.logDensity) / (step * step);
  return { cut, peak, width: Math.min(PRIOR.logS.sd, Math.sqrt(1 / Math.max(1e-6, -bend))) };
};

/** Possible curves with the share of belief each stands for (sum 1), and the one to show. */
export type Posterior = {
  readonly candidates: readonly Candidate[];
  readonly weights: readonly number[];
  readonly best: Candidate;
};

/** Ridges over the cuts that matter: from coarse to fine, closing in on where the density is. */
const closeIn = (points: readonly CurveReading[]): Ridge[] => {
  const over = (range: readonly [number, number]) =>
    steps(range, CUTS).flatMap((cut) => ridgeAt(points, cut) ?? []);
  let found = over(CUT);
  for (let round = 1; round < ROUNDS; round += 1) {
    const top = Math.max(...found.map(({ peak }) => peak.logDensity));
    const kept = found.filter(({ peak }) => peak.logDensity > top - NEGLIGIBLE);
    const step = found[1].cut - found[0].cut;
    found = over([Math.max(CUT[0], kept[0].cut - step), Math.min(CUT[1], kept[kept.length - 1].cut + step)]);
  }
  return found;
};

const shares = (logs: readonly number[]): number[] => {
  const top = Math.max(...logs);
  const raw = logs.map((log) => Math.exp(log - top));
  const total = raw.reduce((sum, w) => sum + w, 0);
  return raw.map((w) => w / total);
};

/**
 * The mean cut with its own best toe: where the readings leave a long ridge, its middle rather than its
 * highest end.
 */
const middleOf = (points: readonly CurveReading[], found: readonly Ridge[]): Candidate => {
  const weights = shares(found.map(({ peak, width }) => peak.logDensity + Math.log(width)));
  const cut = found.reduce((sum, ridge, i) => sum + weights[i] * ridge.cut, 0);
  return ridgeAt(points, cut)?.peak ?? found[0].peak;
};

/** The curve to show alone. Points: at least three. */
export const expectedCurve = (points: readonly CurveReading[]): Candidate =>
  middleOf(points, closeIn(points));

/** Everything that may be, by quadrature over the toe: along the cut, and across each ridge. */
export const posteriorOf = (points: readonly CurveReading[]): Posterior => {
  const found = closeIn(points);
  const nodes = found.flatMap(({ cut, peak, width }) =>
    NODES.flatMap((n) => {
      const candidate = candidateAt(points, peak.logS + n * width, cut);
      return candidate ? [{ candidate, log: candidate.logDensity + Math.log(width) }] : [];
    }),
  );
  const top = Math.max(...nodes.map(({ log }) => log));
  const kept = nodes.filter(({ log }) => log > top - NEGLIGIBLE);
  return {
    candidates: kept.map(({ candidate }) => candidate),
    weights: shares(kept.map(({ log }) => log)),
    best: middleOf(points, found),
  };
};
