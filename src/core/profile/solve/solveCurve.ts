import { rollup, sum } from 'd3-array';
import { tangentLog } from '../../transfer/index.ts';
import { stopsToReflectance } from '../../units.ts';
import { compileCurve } from '../compile.ts';
import type { CurveReading, CurveSpec, UncertaintyBand } from '../types.ts';
import { bandAbout, BAND_STOPS, drawCurves } from './band.ts';
import { bumpsAt } from './errorModel.ts';
import { curveColumns } from './linearFit.ts';
import { posteriorOf, type Known, type Posterior } from './posterior.ts';
import { narrowestReading, type Narrowing } from './narrowing.ts';

export type CurveSolution = {
  /** The log form, or a monotone table where the readings are of another form. */
  readonly curve: CurveSpec;
  /** Holds 95 % of the curves that may be, over its whole length; each third of a stop from -8 to +8. */
  readonly band: UncertaintyBand;
  /** Read minus curve, signal fraction, one for each point. */
  readonly residuals: readonly number[];
  /** The same against the best log curve, where the curve is another. */
  readonly logResiduals: readonly number[];
  /** The published curve whose form the readings have, at any slope and offset, where it is likelier than not. */
  readonly published?: string;
  /** Error of the bracket's steps as its readings tell it, stops; undefined without a bracket. */
  readonly stepSd?: number;
  /** The further reading that would narrow the band most, for a curve that ends there. */
  readonly narrowing: (clipStops: number) => Narrowing;
};

/** Beyond this belief the form is given up. */
const GIVEN_UP = 0.4;
const MORE_LIKELY_THAN_NOT = 0.5;

const logCurve = ({ best, fitters }: Posterior): CurveSpec => {
  const fit = fitters[best.setting].fit(best.logS, best.cut);
  if (!fit) throw new RangeError('solveCurve: no rising log curve goes through these readings');
  return { kind: 'log', coefficients: tangentLog(10 ** best.logS, best.cut, fit.mean[0], fit.mean[1]) };
};

// From no light up to a stop over the band.
const ROW_STOPS = [-Infinity, ...Array.from({ length: 61 }, (_, i) => -11 + i / 3)];
const ROW_X = ROW_STOPS.map((stops) => (stops === -Infinity ? 0 : stopsToReflectance(stops)));
const ROW_BUMPS = ROW_X.map(bumpsAt);
/** Rows of a table rise by no less than this, signal fraction: where nothing was read it would be flat. */
const LEAST_RISE = 1e-5;

/** The name of the published curve that is likelier than all else together. */
const publishedOf = ({ settings, shares }: Posterior): string | undefined => {
  const beliefs = rollup(
    settings.map(({ form }, i) => ({ name: form.published?.name, share: shares[i] })),
    (own) => sum(own, ({ share }) => share),
    ({ name }) => name,
  );
  return [...beliefs].find(([name, belief]) => name !== undefined && belief > MORE_LIKELY_THAN_NOT)?.[0];
};

/** The mean of the curves that are of another form, made to rise from grey outwards. */
const otherCurve = (posterior: Posterior): CurveSpec => {
  const { nodes, fitters, settings, slope } = posterior;
  const sums = new Float64Array(ROW_X.length);
  let mass = 0;
  for (const { logS, cut, setting, weight } of nodes) {
    const { form } = settings[setting];
    const fit = form.id === 'other' ? fitters[setting].fit(logS, cut) : undefined;
    if (!fit) continue;
    mass += weight;
    const row = new Float64Array(fit.width);
    const toe = { s: 10 ** logS, cut };
    for (let i = 0; i < ROW_X.length; i += 1) {
      const own = curveColumns(row, ROW_X[i], toe, form, slope, ROW_BUMPS[i]);
      for (let j = 0; j < own; j += 1) sums[i] += weight * fit.mean[j] * row[j];
    }
  }
  const signals = sums.map((sum) => sum / mass);
  const grey = ROW_STOPS.findIndex((stops) => stops >= -1e-9);
  for (let i = grey + 1; i < signals.length; i += 1)
    signals[i] = Math.max(signals[i], signals[i - 1] + LEAST_RISE);
  for (let i = grey - 1; i >= 0; i -= 1) signals[i] = Math.min(signals[i], signals[i + 1] - LEAST_RISE);
  return { kind: 'table', rows: ROW_X.map((reflectance, i) => ({ reflectance, signal: signals[i] })) };
};

const check = (points: readonly CurveReading[]): void => {
  const places = new Set(points.map(({ reflectance }) => reflectance));
  if (places.size < 2)
    throw new RangeError(`solveCurve: readings at two places or more are needed, got ${places.size}`);
};

/**
 * The curve that readings tell of, with its band: every reading with its error of reading (`sigma`), its error of
 * place (`placeSd`; for a bracket also an error of its steps, estimated from how they scatter, and of its nominal),
 * and the model with its own: toes with a kink or a bend, and curves of another form altogether.
 * Decision record 0002. Points in any order: reflectance (1.0 = diffuse white), signal fraction.
 * @param known what is known of the errors instead of estimated: how far a bracket's steps lie off, stops.
 * @throws RangeError with readings at fewer than two places, or when no rising curve goes through them.
 */
export const solveCurve = (points: readonly CurveReading[], known?: Known): CurveSolution => {
  check(points);
  const posterior = posteriorOf(points, known);
  const { settings, shares } = posterior;
  const otherForm = settings.reduce((sum, { form }, i) => sum + (form.id === 'other' ? shares[i] : 0), 0);
  const log = logCurve(posterior);
  const curve = otherForm > GIVEN_UP ? otherCurve(posterior) : log;
  const { encode } = compileCurve(curve);
  const off = (spec: CurveSpec) => {
    const transfer = compileCurve(spec);
    return points.map((p) => p.signal - transfer.encode(p.reflectance));
  };
  const centre = BAND_STOPS.map((stops) => encode(stopsToReflectance(stops)));
  const curves = drawCurves(posterior);
  const band = bandAbout(centre, curves);
  return {
    curve,
    band,
    residuals: off(curve),
    logResiduals: off(log),
    published: publishedOf(posterior),
    stepSd: points.some(({ series }) => series !== undefined)
      ? settings.reduce((sum, { stepSd }, i) => sum + shares[i] * stepSd, 0)
      : undefined,
    narrowing: (clipStops) => narrowestReading(points, { band, centre, curves }, clipStops),
  };
};
