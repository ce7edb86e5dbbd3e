import type { TransferFunction } from './types.ts';

/** y = gain x^exponent + offset from `cut` up, and the tangent line below it. */
export type PowerCoefficients = {
  readonly gain: number;
  readonly exponent: number;
  readonly offset: number;
  readonly cut: number;
};

/**
 * A camera gamma as a pair: scene reflectance to signal fraction, unclamped, line below the cut.
 * @throws RangeError when gain, exponent or cut is not above 0.
 */
export const powerTransfer = ({ gain, exponent, offset, cut }: PowerCoefficients): TransferFunction => {
  if (!(gain > 0 && exponent > 0 && cut > 0)) {
    throw new RangeError('powerTransfer: gain, exponent and cut must be above 0');
  }
  const signalCut = gain * cut ** exponent + offset;
  const slope = gain * exponent * cut ** (exponent - 1);
  return {
    encode: (x) => (x >= cut ? gain * x ** exponent + offset : signalCut + slope * (x - cut)),
    decode: (y) => (y >= signalCut ? ((y - offset) / gain) ** (1 / exponent) : cut + (y - signalCut) / slope),
  };
};
