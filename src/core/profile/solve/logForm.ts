/** A toe: y = c log10(x + s) + d, its tangent below `cut`. x: scene reflectance, 1.0 = diffuse white. */
export type Toe = { readonly logS: number; readonly cut: number };

/** log10(x + s) above the cut and its tangent below: what c multiplies. */
export const basis = (x: number, s: number, cut: number): number =>
  x >= cut ? Math.log10(x + s) : Math.log10(cut + s) + (x - cut) / (Math.LN10 * (cut + s));

/** How much the basis rises in a stop at x. */
export const basisPerStop = (x: number, s: number, cut: number): number =>
  (Math.LN2 / Math.LN10) * (x / (Math.max(x, cut) + s));

// log10 s is about -1.87 +- 0.29 and cut about 0.005 +- 0.005, never under 0: our own survey of some twenty curves.
// The tails of the first are Student's with three degrees of freedom: some curves, ACEScct among them, have hardly
// any s at all.
const PRIOR = { logS: { mean: -1.87, sd: 0.29 }, cut: { mean: 0.005, sd: 0.005 } } as const;
const TAIL = 3;

/** Integrals of Student's t with three degrees, as `toePrior` has it, and of a normal over minus one (any table). */
const T_INTEGRAL = (Math.sqrt(TAIL) * Math.PI) / 2;
const OVER_MINUS_ONE = 0.8413;
/** Log of `toePrior` summed over all toes: what a curve that has none stands against. */
export const ALL_TOES = Math.log(
  PRIOR.logS.sd * T_INTEGRAL * PRIOR.cut.sd * Math.sqrt(2 * Math.PI) * OVER_MINUS_ONE,
);

/** Where toes are looked for. */
export const LOG_S = [-5, -0.3] as const;
export const CUT = [0, 0.025] as const;
/** No ridge is wider across than the prior. */
export const WIDEST = PRIOR.logS.sd;

/** Log of the belief in a toe before any reading, up to a constant. */
export const toePrior = (logS: number, cut: number): number => {
  const a = (logS - PRIOR.logS.mean) / PRIOR.logS.sd;
  const b = (cut - PRIOR.cut.mean) / PRIOR.cut.sd;
  return -0.5 * ((TAIL + 1) * Math.log1p((a * a) / TAIL) + b * b);
};
