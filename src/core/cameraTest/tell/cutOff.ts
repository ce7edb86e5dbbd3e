// Noise about black in a file that holds nothing under its lowest code: what is cut off is missing from the deviation
// and lifts the mean. A normal distribution cut at a place whose share is known gives both back.

export type CutOff = {
  /** What is left of the deviation, of 1. */
  readonly deviation: number;
  /** The true mean over the lowest code, in true deviations. */
  readonly mean: number;
  /** The mean of what is left, the same way. */
  readonly left: number;
  /** So much is missing that what is put back is rough. */
  readonly isRough: boolean;
};

const WHOLE: CutOff = { deviation: 1, mean: Infinity, left: Infinity, isRough: false };
/** A share under this is not worth a correction; over the other it is a rough one. */
const [LITTLE, TOO_MUCH] = [0.02, 0.3];

const density = (z: number) => Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);

/** Share of a normal distribution under z (Abramowitz and Stegun 1964, 7.1.26: within 1.5e-7). */
export const normalShare = (z: number): number => {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp(-x * x);
  return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
};

/** What cutting off a share of the pixels at the lowest code does. @param share At the lowest code, 0..1 */
export const cutOff = (share: number): CutOff => {
  if (!(share > LITTLE)) return WHOLE;
  let [low, high] = [-6, 6];
  for (let i = 0; i < 50; i += 1) {
    const middle = (low + high) / 2;
    if (normalShare(middle) < share) low = middle;
    else high = middle;
  }
  const z = low;
  const mean = z * share + density(z);
  const square = z * z * share + (1 - share) + z * density(z);
  return {
    deviation: Math.sqrt(Math.max(1e-6, square - mean * mean)),
    mean: -z,
    left: mean - z,
    isRough: share > TOO_MUCH,
  };
};
