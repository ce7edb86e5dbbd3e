import { logTransfer } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import { PRINTED_SIGMA } from './anchors.ts';
import { solveLog } from './solveLog.ts';
import type { CurveReading, UncertaintyBand } from './types.ts';

/** The reading that would narrow the band most, and by how much. */
export type Narrowing = {
  /** Where to read, in stops over grey. */
  readonly stops: number;
  /** Mean half width of the band from -5 to +5, in stops, now and with that reading. */
  readonly before: number;
  readonly after: number;
};

const CANDIDATES = [-5, -3, -1, 1, 4] as const;
const RANGE = 5;

const meanWidth = ({ stops, stopsWide }: UncertaintyBand): number => {
  const inside = stopsWide.filter((_, i) => Math.abs(stops[i]) <= RANGE);
  return inside.reduce((sum, width) => sum + width, 0) / inside.length;
};

/**
 * Tries a reading at each candidate stop, exact to half a percent and falling where the best curve expects it, and
 * returns the one that narrows the band most. Points as in `solveLog`.
 */
export const narrowestReading = (points: readonly CurveReading[], clipStops: number): Narrowing => {
  const { band, coefficients } = solveLog(points);
  const { encode } = logTransfer(coefficients);
  const before = meanWidth(band);
  const tried = CANDIDATES.filter((stops) => stops < clipStops - 0.5).flatMap((stops) => {
    const reflectance = stopsToReflectance(stops);
    if (points.some((point) => Math.abs(Math.log2(point.reflectance / reflectance)) < 0.25)) return [];
    const reading = { reflectance, signal: encode(reflectance), sigma: PRINTED_SIGMA };
    const extended = [...points, reading].sort((a, b) => a.reflectance - b.reflectance);
    const rising = extended.every((p, i) => i === 0 || p.signal > extended[i - 1].signal);
    return rising ? [{ stops, before, after: meanWidth(solveLog(extended).band) }] : [];
  });
  return tried.reduce((best, next) => (next.after < best.after ? next : best), {
    stops: -3,
    before,
    after: before,
  });
};
