import { printStopsDecimal } from '../units.ts';

// What the rules of advice say where a sentence is longer than a line.

export const mayBand = (stepStops: number, noiseCodes: number): string => {
  const code = `One code is ${(100 * (2 ** stepStops - 1)).toFixed(1)} % of luminance after grading`;
  return `${code}, and noise of ${noiseCodes.toFixed(1)} code does not hide it: skies may band.`;
};

/** Under this many bits a pixel grading shows the blocks of the codec. Our own choice. */
export const FEW_BITS = 0.15;

export const bitsAPixel = (bits: number): string =>
  `${bits.toFixed(2)} bits a pixel${bits < FEW_BITS ? ': grading will show the blocks' : ''}.`;

export const mixedLight = (mired: number): string => {
  const apart = `Mixed light, ${mired.toFixed(0)} mired apart`;
  return `${apart}: the wider the curve, the more of the split is left to grading.`;
};

export const overBaseIso = (stops: number, bitDepth: number): string => {
  const spent = bitDepth <= 8 ? ' in 8 bit: flat curves spend codes on noise' : '';
  return `${printStopsDecimal(stops)} over base${spent}.`;
};
