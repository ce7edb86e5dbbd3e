// A printed number is off by no more than half its step, any part of it alike. Curves are drawn as if it were a normal
// error as wide; here is by how much each drawn curve is likelier, or less likely, for that.

/** Share of numbers that were not rounded as told: cut off, misprinted. Our own choice. */
const OTHERWISE = 0.02;
/** An error of place never counts for less than this part of half a step: an edge that is not quite sharp. */
const SHARP = 0.03;

/** Normal distribution, within 7.5e-8 (Abramowitz and Stegun, Handbook of Mathematical Functions, 26.2.17). */
const normalBelow = (z: number): number => {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI)) * poly;
  return z > 0 ? 1 - tail : tail;
};

/**
 * Log of how much likelier a miss is from rounding than from a normal error of the same spread. Signal fractions.
 * @param sigma Of the rounding, a step over sqrt 12
 * @param place What an error of place comes to, standard deviation
 */
export const roundedAgainstNormal = (miss: number, sigma: number, place: number): number => {
  const half = Math.sqrt(3) * sigma;
  const soft = Math.max(place, SHARP * half);
  const rounded = (normalBelow((miss + half) / soft) - normalBelow((miss - half) / soft)) / (2 * half);
  const variance = sigma ** 2 + place ** 2;
  const normal = Math.exp((-0.5 * miss * miss) / variance) / Math.sqrt(2 * Math.PI * variance);
  return Math.log((1 - OTHERWISE) * (rounded / Math.max(1e-12, normal)) + OTHERWISE);
};
