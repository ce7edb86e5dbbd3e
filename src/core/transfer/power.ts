import type { TransferFunction } from './types.ts';

/** y = gain x^exponent + offset from `cut` up; below it the line y = e x + f, or the tangent without one. */
export type PowerCoefficients = {
  readonly gain: number;
  readonly exponent: number;
  readonly offset: number;
  readonly cut: number;
  readonly line?: { readonly e: number; readonly f: number };
};

const tangentOf = ({ gain, exponent, offset, cut }: PowerCoefficients) => {
  const e = gain * exponent * cut ** (exponent - 1);
  return { e, f: gain * cut ** exponent + offset - e * cut };
};

/** Break in value and in relative slope at the cut; both 0 for the tangent. */
export const powerContinuity = (k: PowerCoefficients): { readonly value: number; readonly slope: number } => {
  const tangent = tangentOf(k);
  const line = k.line ?? tangent;
  return { value: (tangent.e - line.e) * k.cut + tangent.f - line.f, slope: tangent.e / line.e - 1 };
};

/**
 * A camera gamma as a pair: scene reflectance to signal fraction, unclamped, line below the cut.
 * @throws RangeError when gain, exponent, cut or the line's slope is not above 0.
 */
export const powerTransfer = (k: PowerCoefficients): TransferFunction => {
  const { gain, exponent, offset, cut } = k;
  if (!(gain > 0 && exponent > 0 && cut > 0)) {
    throw new RangeError('powerTransfer: gain, exponent and cut must be above 0');
  }
  const { e, f } = k.line ?? tangentOf(k);
  if (!(e > 0)) throw new RangeError(`powerTransfer: the line must rise, its slope is ${e}`);
  const signalCut = gain * cut ** exponent + offset;
  return {
    encode: (x) => (x >= cut ? gain * x ** exponent + offset : e * x + f),
    decode: (y) => (y >= signalCut ? ((y - offset) / gain) ** (1 / exponent) : Math.min((y - f) / e, cut)),
  };
};
