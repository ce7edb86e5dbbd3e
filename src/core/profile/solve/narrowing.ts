import { PRINTED_SIGMA } from '../anchors.ts';
import type { CurveReading, UncertaintyBand } from '../types.ts';
import { BAND_STOPS, type DrawnCurve } from './band.ts';

/** The reading that would narrow the band most, and by how much. */
export type Narrowing = {
  /** Where to read, in stops over grey. */
  readonly stops: number;
  /** Mean half width of the band from -5 to +5, in stops, now and with that reading. */
  readonly before: number;
  readonly after: number;
};

const RANGE = 5;
const WITHIN = BAND_STOPS.flatMap((stops, i) => (Math.abs(stops) <= RANGE + 1e-9 ? [i] : []));
/** Whole stops at which a card can be read. */
const CANDIDATES = BAND_STOPS.flatMap((stops, i) =>
  Math.abs(stops - Math.round(stops)) < 1e-9 && stops >= -6 && stops <= 5 ? [i] : [],
);
/** Nearer than this to a reading that is there, it is the same reading, stops. */
const SAME_PLACE = 0.25;

/** Mean half width of a band from -5 to +5, stops. */
export const meanWidth = ({ stopsWide }: UncertaintyBand): number =>
  WITHIN.reduce((sum, i) => sum + stopsWide[i], 0) / WITHIN.length;

const covariance = (
  curves: readonly DrawnCurve[],
  centre: ArrayLike<number>,
  a: number,
  b: number,
): number => {
  let sum = 0;
  for (const { signals, weight } of curves)
    sum += weight * (signals[a] - centre[a]) * (signals[b] - centre[b]);
  return sum / curves.length;
};

/**
 * Of the whole stops, the one where a reading to the whole percent narrows the band most: the curves drawn from the
 * posterior tell how each place moves with each other one (the conditional variance of a normal distribution).
 */
export const narrowestReading = (
  points: readonly CurveReading[],
  {
    band,
    centre,
    curves,
  }: {
    readonly band: UncertaintyBand;
    readonly centre: ArrayLike<number>;
    readonly curves: readonly DrawnCurve[];
  },
  clipStops: number,
): Narrowing => {
  const before = meanWidth(band);
  const own = new Map(WITHIN.map((i) => [i, covariance(curves, centre, i, i)]));
  const tried = CANDIDATES.flatMap((at) => {
    const stops = BAND_STOPS[at];
    const isThere = points.some((p) => Math.abs(Math.log2(p.reflectance / 0.18) - stops) < SAME_PLACE);
    if (isThere || stops > clipStops - 0.5) return [];
    const read = covariance(curves, centre, at, at) + PRINTED_SIGMA ** 2;
    const after =
      WITHIN.reduce((sum, i) => {
        const left = 1 - covariance(curves, centre, i, at) ** 2 / (read * (own.get(i) ?? 1));
        return sum + band.stopsWide[i] * Math.sqrt(Math.max(0, left));
      }, 0) / WITHIN.length;
    return [{ stops: Math.round(stops), before, after }];
  });
  return tried.reduce((best, next) => (next.after < best.after ? next : best), {
    stops: -3,
    before,
    after: before,
  });
};
