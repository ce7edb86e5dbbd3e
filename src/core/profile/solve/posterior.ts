import type { CurveReading } from '../types.ts';
import { FORMS, STEP_ERRORS } from './errorModel.ts';
import { linearFit, type Evidence, type Fitter, type Setting } from './linearFit.ts';
import { basisPerStop, CUT, LOG_S, WIDEST, type Toe } from './logForm.ts';

// Along the cut the best toe is a ridge. Ridges are followed for every setting (form, step error), closing in on where
// the density is; nodes across each ridge stand for the curves that may be.

const SCAN = 36;
const GOLDEN_STEPS = 26;
const COARSE = 13;
const FINE = 11;
const ROUNDS = 3;
/** Log of the density, under the peak, beyond which a place is left out. */
const NEGLIGIBLE = 9;
/** Cuts within reach that make a quadrature exact enough. */
const ENOUGH = 6;
/** A setting whose highest ridge lies so far under the best one's is not looked at further, log. */
const HOPELESS = 7;
/** Nodes across the width of a ridge, in its standard deviations. */
const NODES = { at: [-3.2, -2.4, -1.6, -0.8, 0, 0.8, 1.6, 2.4, 3.2], apart: 0.8 } as const;

/** The best toe for one cut, its height, and the standard deviation of log10 s about it. */
type Ridge = Toe & { readonly height: number; readonly width: number };

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

/** Standard deviation across a ridge, from how its log density bends over three heights a step apart. */
const acrossOf = (bend: number, step: number): number =>
  Math.min(WIDEST, Math.sqrt(1 / Math.max(1e-6, -bend / (step * step))));

/** A curve of another form is told by its departure: its toe needs few. */
const FEW_NODES = { at: [-1.6, 0, 1.6], apart: 1.6 } as const;

/** A ridge looked for over all toes. */
const ridgeAnew = ({ logDensity }: Fitter, cut: number): Ridge | undefined => {
  const density = (logS: number) => logDensity(logS, cut);
  const scan = steps(LOG_S, SCAN);
  const heights = scan.map(density);
  const top = heights.indexOf(Math.max(...heights));
  const logS = golden(density, scan[Math.max(0, top - 1)], scan[Math.min(SCAN - 1, top + 1)]);
  const height = density(logS);
  if (height === -Infinity) return undefined;
  const step = 1e-3;
  return {
    logS,
    cut,
    height,
    width: acrossOf(density(logS - step) + density(logS + step) - 2 * height, step),
  };
};

const CLIMBS = 5;

/** A ridge near one that is known: parabolas through three heights, as Newton's method. */
const ridgeFrom = ({ logDensity }: Fitter, cut: number, near: Ridge): Ridge | undefined => {
  let { logS, width } = near;
  let height = logDensity(logS, cut);
  for (let i = 0; i < CLIMBS; i += 1) {
    const step = Math.max(1e-4, 0.4 * width);
    const [below, above] = [logDensity(logS - step, cut), logDensity(logS + step, cut)];
    const bend = below + above - 2 * height;
    width = acrossOf(bend, step);
    const rise = (above - below) / 2;
    const move =
      bend < 0 && Number.isFinite(bend)
        ? Math.max(-4 * step, Math.min(4 * step, (-rise * step) / bend))
        : Math.sign(above - below) * 2 * step;
    const to = Math.min(LOG_S[1], Math.max(LOG_S[0], logS + move));
    const moved = logDensity(to, cut);
    if (moved > height) {
      const small = Math.abs(to - logS) < 0.2 * width;
      logS = to;
      height = moved;
      if (small) break;
    } else if (Math.abs(move) < 0.3 * width) break;
    else width /= 2;
  }
  return height === -Infinity ? undefined : { logS, cut, height, width };
};

const nearest = (ridges: readonly Ridge[], cut: number): Ridge => {
  const after = ridges.findIndex((r) => r.cut >= cut);
  if (after < 0) return ridges[ridges.length - 1];
  if (after === 0) return ridges[0];
  const [p, q] = [ridges[after - 1], ridges[after]];
  const t = (cut - p.cut) / (q.cut - p.cut);
  return { ...q, logS: p.logS + t * (q.logS - p.logS), width: p.width + t * (q.width - p.width) };
};

const topOf = (ridges: readonly Ridge[]): number => Math.max(...ridges.map(({ height }) => height));

/** Ridges over the cuts that matter, from coarse to fine, an even step apart. */
const closeIn = (fitter: Fitter, known: readonly Ridge[]): Ridge[] => {
  let found = known.flatMap((ridge) => ridgeFrom(fitter, ridge.cut, ridge) ?? []);
  for (let round = 0; round < ROUNDS; round += 1) {
    const top = topOf(found);
    const kept = found.filter(({ height }) => height > top - NEGLIGIBLE);
    if (round > 0 && kept.length >= ENOUGH) break;
    const step = found.length > 1 ? found[1].cut - found[0].cut : 0;
    const range = [
      Math.max(CUT[0], kept[0].cut - step),
      Math.min(CUT[1], kept[kept.length - 1].cut + step),
    ] as const;
    const from = found;
    found = steps(range, FINE).flatMap((cut) => ridgeFrom(fitter, cut, nearest(from, cut)) ?? []);
  }
  return found;
};

/** A curve of another form is told by its departure: any toe near the right one does under it. */
const SPARSE = [0.001, 0.006, 0.011];
const sparse = (fitter: Fitter, known: readonly Ridge[]): Ridge[] =>
  SPARSE.flatMap((cut) => ridgeFrom(fitter, cut, nearest(known, cut)) ?? []);

/** A curve that may be, and the share of belief it stands for. */
export type PosteriorNode = Toe & { readonly setting: number; readonly weight: number };

export type Posterior = {
  readonly settings: readonly Setting[];
  readonly fitters: readonly Fitter[];
  readonly nodes: readonly PosteriorNode[];
  /** Belief in each setting, sum 1. */
  readonly shares: readonly number[];
  /** The toe to show alone, under the likeliest setting that has the log form. */
  readonly best: Toe & { readonly setting: number };
  /** Signal fraction the curve rises in a stop far above its toe. */
  readonly slope: number;
};

/** A reading here says where grey is: from five stops under it to diffuse white. */
const GREY_REGION = [0.18 / 32, 1.01] as const;

/** What is known of the errors instead of estimated: how far a bracket's steps lie off, stops. */
export type Known = { readonly stepSd: number };

const NO_CURVE = 'solveCurve: no rising log curve goes through these readings';

// A first look, with a slope as most log curves have it, tells the curve's own.
const FIRST_SLOPE = 0.08;
const USUAL_STEP_ERROR = 0.04;

const evidenceOf = (points: readonly CurveReading[], perStop: (point: CurveReading) => number): Evidence => {
  const names = [...new Set(points.flatMap(({ series }) => series ?? []))];
  const isAnchored = points.some(
    ({ series, reflectance }) =>
      series === undefined && reflectance > GREY_REGION[0] && reflectance < GREY_REGION[1],
  );
  // The first series says where grey is, unless something else does.
  const free = isAnchored ? names : names.slice(1);
  return {
    points,
    perStop: points.map(perStop),
    series: points.map(({ series }) => (series === undefined ? -1 : names.indexOf(series))),
    offsetColumn: points.map(({ series }) => (series === undefined ? -1 : free.indexOf(series))),
    offsets: free.length,
  };
};

const settingsFor = (points: readonly CurveReading[], stepSd: number | undefined): Setting[] => {
  const isStepped = points.some(({ series }) => series !== undefined);
  const errors = !isStepped
    ? [{ sd: 0, share: 1 }]
    : stepSd === undefined
      ? STEP_ERRORS
      : [{ sd: stepSd, share: 1 }];
  return FORMS.flatMap((form) =>
    errors.map(({ sd, share }) => ({ form, stepSd: sd, logShare: Math.log(form.share * share) })),
  );
};

/** The evidence with the slope its own curve has, and the ridges of a first look at it. */
export const firstLook = (points: readonly CurveReading[], known?: Known) => {
  const plain: Setting = { form: FORMS[0], stepSd: known?.stepSd ?? USUAL_STEP_ERROR, logShare: 0 };
  const rough = linearFit(
    evidenceOf(points, () => FIRST_SLOPE),
    plain,
    1,
  );
  const coarse = steps(CUT, COARSE).flatMap((cut) => ridgeAnew(rough, cut) ?? []);
  if (coarse.length === 0) throw new RangeError(NO_CURVE);
  const top = coarse.reduce((a, b) => (b.height > a.height ? b : a));
  const slope = rough.fit(top.logS, top.cut)?.mean[0] ?? 0.25;
  const s = 10 ** top.logS;
  const evidence = evidenceOf(points, ({ reflectance }) => slope * basisPerStop(reflectance, s, top.cut));
  const sds = points.map(({ sigma, placeSd = 0, series }, i) =>
    Math.hypot(sigma, evidence.perStop[i] * Math.hypot(placeSd, series === undefined ? 0 : plain.stepSd)),
  );
  return { evidence, plain, slope, coarse, top, sds };
};

/** The log curve through all points but one (-1: all of them), from a first look. */
export const looksWithout = (
  { evidence, plain, slope, coarse }: ReturnType<typeof firstLook>,
  left: number,
) => {
  const others = <T>(list: readonly T[]) => list.filter((_, i) => i !== left);
  const fitter = linearFit(
    {
      points: others(evidence.points),
      perStop: others(evidence.perStop),
      series: others(evidence.series),
      offsetColumn: others(evidence.offsetColumn),
      offsets: evidence.offsets,
    },
    plain,
    slope,
  );
  const ridges = sparse(fitter, coarse);
  if (ridges.length === 0) return undefined;
  const { logS, cut } = ridges.reduce((a, b) => (b.height > a.height ? b : a));
  const fit = fitter.fit(logS, cut);
  return fit && { s: 10 ** logS, cut, c: fit.mean[0], d: fit.mean[1] };
};

/** Curves of one setting that may be, each with the log of the belief it stands for. */
const nodesOf = (fitter: Fitter, { form, logShare }: Setting, coarse: readonly Ridge[]) => {
  if (form.published) {
    const { logS, cut } = coarse[0];
    return [{ logS, cut, log: fitter.logDensity(logS, cut) + logShare }];
  }
  const isOther = form.bend > 0;
  const ridges = isOther ? sparse(fitter, coarse) : closeIn(fitter, coarse);
  const spacing = ridges.length > 1 ? ridges[1].cut - ridges[0].cut : 1;
  const { at, apart } = isOther ? FEW_NODES : NODES;
  return ridges.flatMap(({ logS, cut, width }) =>
    at.map((n) => {
      const toe = { logS: logS + n * width, cut };
      return { ...toe, log: fitter.logDensity(toe.logS, cut) + Math.log(width * apart * spacing) + logShare };
    }),
  );
};

/** Everything that may be, by quadrature: over settings, along the cut, and across each ridge. */
export const posteriorOf = (points: readonly CurveReading[], known?: Known): Posterior => {
  const settings = settingsFor(points, known?.stepSd);
  const { evidence, slope, coarse, top } = firstLook(points, known);
  const fitters = settings.map((setting) => linearFit(evidence, setting, slope));

  const glances = fitters.map(
    (fitter, i) =>
      (settings[i].form.published
        ? fitter.logDensity(top.logS, top.cut)
        : (ridgeFrom(fitter, top.cut, top)?.height ?? -Infinity)) + settings[i].logShare,
  );
  const hope = Math.max(...glances) - HOPELESS;
  const mayMatter = glances.map((height) => height > hope);

  const raw = settings.flatMap((setting, index) =>
    mayMatter[index]
      ? nodesOf(fitters[index], setting, coarse).map((node) => ({ ...node, setting: index }))
      : [],
  );
  const highest = Math.max(...raw.map(({ log }) => log));
  if (!Number.isFinite(highest)) throw new RangeError(NO_CURVE);
  const kept = raw.filter(({ log }) => log > highest - NEGLIGIBLE);
  const total = kept.reduce((sum, { log }) => sum + Math.exp(log - highest), 0);
  const nodes = kept.map(({ log, ...node }) => ({ ...node, weight: Math.exp(log - highest) / total }));
  const shares = settings.map((_, i) =>
    nodes.reduce((sum, node) => (node.setting === i ? sum + node.weight : sum), 0),
  );
  const logs = settings.flatMap(({ form }, i) => (form.id === 'log' ? [i] : []));
  const likeliest = logs.reduce((a, b) => (shares[b] > shares[a] ? b : a));
  const formed = nodes.filter(({ setting }) => settings[setting].form.id === 'log');
  const mass = formed.reduce((sum, { weight }) => sum + weight, 0);
  const cut = mass > 0 ? formed.reduce((sum, node) => sum + node.weight * node.cut, 0) / mass : top.cut;
  const ridge = ridgeFrom(fitters[likeliest], cut, nearest(coarse, cut)) ?? top;
  return { settings, fitters, nodes, shares, best: { logS: ridge.logS, cut, setting: likeliest }, slope };
};
