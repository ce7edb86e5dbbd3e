import type { TransferFunction } from './types.ts';

/**
 * The general log form: y = c log10(a x + b) + d for x >= cut, y = e x + f below.
 * x scene reflectance (1.0 = diffuse white), y signal fraction.
 */
export type LogCoefficients = {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly cut: number;
  readonly e: number;
  readonly f: number;
};

/**
 * Coefficients of y = c log10(x + s) + d with the tangent line below `cut`:
 * the robust form (a is redundant with d), continuous in value and slope.
 * @throws RangeError unless s + cut > 0 and c > 0.
 */
export const tangentLog = (s: number, cut: number, c: number, d: number): LogCoefficients => {
  if (!(s + cut > 0 && c > 0))
    throw new RangeError(`tangentLog: s + cut and c must be above 0, got ${s}, ${cut}, ${c}`);
  const e = c / (Math.LN10 * (cut + s));
  const f = c * Math.log10(cut + s) + d - e * cut;
  return { a: 1, b: s, c, d, cut, e, f };
};

/** Break in value and in relative slope at the cut; both 0 for a smooth join. */
export const logContinuity = (k: LogCoefficients): { readonly value: number; readonly slope: number } => {
  const above = k.c * Math.log10(k.a * k.cut + k.b) + k.d;
  const slopeAbove = (k.c * k.a) / (Math.LN10 * (k.a * k.cut + k.b));
  return { value: above - (k.e * k.cut + k.f), slope: slopeAbove / k.e - 1 };
};

/**
 * The general log form as a pair, unclamped: the line runs on below 0, the log above 1.
 * @throws RangeError when a, c or e is not above 0, or the logarithm's argument is not above 0 at the cut.
 */
export const logTransfer = (k: LogCoefficients): TransferFunction => {
  if (!(k.a > 0 && k.c > 0 && k.e > 0)) throw new RangeError('logTransfer: a, c and e must be above 0');
  if (!(k.a * k.cut + k.b > 0)) throw new RangeError('logTransfer: a * cut + b must be above 0');
  const signalCut = k.c * Math.log10(k.a * k.cut + k.b) + k.d;
  return {
    encode: (x) => (x >= k.cut ? k.c * Math.log10(k.a * x + k.b) + k.d : k.e * x + k.f),
    decode: (y) =>
      y >= signalCut ? (10 ** ((y - k.d) / k.c) - k.b) / k.a : Math.min((y - k.f) / k.e, k.cut),
  };
};
