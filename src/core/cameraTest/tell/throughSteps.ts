import { choleskyOf, solveBy } from '../../maths/cholesky.ts';
import { compileProfile } from '../../profile/index.ts';
import type { CurveReading, ProfileData } from '../../profile/types.ts';
import { reflectanceToStops } from '../../units.ts';
import { rising } from './rising.ts';

// A solved table drawn closer to the steps it was solved from. The solver's departures from a log are as wide as a stop
// and a half, since it has to do with three readings as well; a filmed bracket has steps closer than that and shows a
// knee that bends within a stop.

/** How far a table lies off its steps, signal fraction, standard deviation; how quickly that changes, stops. Tried. */
const OFF = 0.004;
const WITHIN = 0.6;
const alike = (p: number, q: number): number => OFF ** 2 * Math.exp(-0.5 * ((p - q) / WITHIN) ** 2);

/**
 * A table with what its steps lie off it, as a Gaussian process of short reach; any other curve is left as it is.
 * @param stepSd How exactly a step's place is known, stops
 */
export const throughSteps = (
  profile: ProfileData,
  readings: readonly CurveReading[],
  stepSd: number,
): ProfileData => {
  const { curve } = profile;
  if (curve.kind !== 'table') return profile;
  const { signalAt, transfer } = compileProfile({ ...profile, clipStops: Infinity });
  const steps = readings
    .filter(({ reflectance }) => reflectance > 0)
    .map(({ reflectance, signal, sigma }) => {
      const stops = reflectanceToStops(reflectance);
      const slope = (signalAt(stops + 0.05) - signalAt(stops - 0.05)) / 0.1;
      return {
        stops,
        off: signal - transfer.encode(reflectance),
        variance: sigma ** 2 + (slope * stepSd) ** 2,
      };
    });
  const factor = choleskyOf(
    steps.map((p, i) => steps.map((q, j) => alike(p.stops, q.stops) + (i === j ? p.variance : 0))),
  );
  if (!factor) return profile;
  const weights = solveBy(
    factor,
    steps.map(({ off }) => off),
  );
  const rows = curve.rows.map(({ reflectance, signal }) => {
    if (!(reflectance > 0)) return { reflectance, signal };
    const at = reflectanceToStops(reflectance);
    return {
      reflectance,
      signal: steps.reduce((sum, { stops }, i) => sum + weights[i] * alike(at, stops), signal),
    };
  });
  return { ...profile, curve: { ...curve, rows: rising(rows) } };
};
