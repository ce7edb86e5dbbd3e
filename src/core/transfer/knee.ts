import type { TransferFunction } from './types.ts';

/** A logarithmic knee: from reflectance `at` up, y = y(at) + slope * width * ln(1 + (x - at) / width). */
export type Knee = { readonly at: number; readonly width: number };

const slopeAt = (base: TransferFunction, x: number): number => {
  const h = x * 1e-5;
  return (base.encode(x + h) - base.encode(x - h)) / (2 * h);
};

/**
 * `base` with a knee; value and slope are continuous at the knee. Smaller width bends harder.
 * @throws RangeError when `at` or `width` is not above 0.
 */
export const withKnee = (base: TransferFunction, { at, width }: Knee): TransferFunction => {
  if (!(at > 0 && width > 0))
    throw new RangeError(`withKnee: at and width must be above 0, got ${at}, ${width}`);
  const start = base.encode(at);
  const rise = slopeAt(base, at) * width;
  return {
    encode: (x) => (x <= at ? base.encode(x) : start + rise * Math.log1p((x - at) / width)),
    decode: (y) => (y <= start ? base.decode(y) : at + width * Math.expm1((y - start) / rise)),
  };
};

/**
 * The knee width with which `base`, bent from `at`, meets signal `signal` at reflectance `reach`.
 * undefined when no knee can (the point lies on or above the unbent tangent, or under the knee's start).
 */
export const kneeWidthThrough = (
  base: TransferFunction,
  at: number,
  reach: number,
  signal: number,
): number | undefined => {
  const slope = slopeAt(base, at);
  const rise = signal - base.encode(at);
  const run = reach - at;
  if (!(rise > 0 && run > 0 && rise < slope * run)) return undefined;
  let low = -12;
  let high = 12;
  for (let i = 0; i < 60; i += 1) {
    const mid = (low + high) / 2;
    const width = run * Math.exp(mid);
    if (slope * width * Math.log1p(run / width) < rise) low = mid;
    else high = mid;
  }
  return run * Math.exp((low + high) / 2);
};
