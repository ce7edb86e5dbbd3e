// When a take is logged against when its clip ran. Common practice, no source: mostly while it rolls or soon after.

/** Shares of the takes logged while the clip runs, after its end, and before it starts. */
const [DURING, AFTER, BEFORE] = [0.45, 0.5, 0.05];
/** Mean waits after the end and before the start, seconds. */
const [AFTER_WAIT, BEFORE_WAIT] = [40, 20];
/** A clip shorter than this counts as this long: clocks show whole seconds. */
const SHORTEST = 2;

/** The seconds about a clip outside which a take of it is hardly ever logged. */
export const REACH = { before: 6 * BEFORE_WAIT, after: 8 * AFTER_WAIT } as const;

/** Density, 1/s, of a take's moment `after` seconds past the start of its clip of `seconds`. */
export const momentDensity = (after: number, seconds: number): number => {
  const length = Math.max(SHORTEST, seconds);
  if (after < 0) return (BEFORE / BEFORE_WAIT) * Math.exp(after / BEFORE_WAIT);
  if (after <= length) return DURING / length;
  return (AFTER / AFTER_WAIT) * Math.exp((length - after) / AFTER_WAIT);
};
