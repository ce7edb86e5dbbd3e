import { printStopsDecimal, printStopsOf } from '../units.ts';
import { said } from '../said.ts';

// What the rules of advice say where a sentence is longer than a line.

const codeAfter = (stepStops: number): string =>
  `One code is ${(100 * (2 ** stepStops - 1)).toFixed(1)} % of luminance after grading`;
const codesOf = (count: number): string => `${count.toFixed(1)} ${count > 1.04 ? 'codes' : 'code'}`;

export const mayBand = (stepStops: number, noiseCodes: number): string =>
  said(`${codeAfter(stepStops)}, and noise of ${codesOf(noiseCodes)}`, 'does not hide it: skies may band.');

export const staysHidden = (stepStops: number, noiseCodes: number, isFine: boolean): string =>
  isFine
    ? `${codeAfter(stepStops)}: too little to be seen as a band.`
    : `${codeAfter(stepStops)}; noise of ${codesOf(noiseCodes)} hides it.`;

/** Codes of the stop at grey, and how many of them noise leaves. */
export const codesLeft = (codes: number, noise: number): string =>
  noise < 1
    ? `It has ${codes.toFixed(0)} codes for the stop at grey, and noise is finer than one of them.`
    : said(
        `It has ${codes.toFixed(0)} codes for the stop at grey;`,
        `noise covers ${codesOf(noise)}, so that ${(codes / noise).toFixed(0)} steps can be told apart.`,
      );

export const noiseTakes = (floor: number, lost: number): string =>
  lost > 0
    ? said(
        `Noise leaves shadows usable down to ${printStopsDecimal(floor)};`,
        `the darkest ${printStopsOf(lost)} of what must be kept lie under that.`,
      )
    : said(
        `Noise leaves shadows usable down to ${printStopsDecimal(floor)}:`,
        `what must be kept ends ${printStopsOf(lost)} over that.`,
      );

export const overClip = (wide: number, lost: number): string =>
  `The scene keeps ${printStopsOf(wide)}; the brightest ${printStopsOf(lost)} of them would clip here.`;

export const underClip = (wide: number, left: number): string =>
  `The scene’s ${printStopsOf(wide)} stay under clip, with ${printStopsOf(left)} to spare.`;

/** Under this many bits a pixel grading shows the blocks of the codec. Our own choice. */
export const FEW_BITS = 0.15;

export const bitsAPixel = (bits: number): string =>
  said(
    `The recording has ${bits.toFixed(2)} bits for a pixel:`,
    bits < FEW_BITS ? 'grading will show the blocks of the codec.' : 'that stands grading.',
  );

export const mixedLight = (mired: number): string => {
  const apart = `Mixed light, ${mired.toFixed(0)} mired apart`;
  return `${apart}: the wider the curve, the more of the split is left to grading.`;
};

export const overBaseIso = (stops: number, bitDepth: number): string => {
  const over = `Little light: ISO lies ${printStopsOf(stops)} over a base`;
  return bitDepth <= 8
    ? `${over}, and a flat curve in 8 bit spends its codes on noise.`
    : `${over}: the flatter the curve, the more noise its contrast brings up.`;
};

export const fewMinutes = (minutes: number): string =>
  minutes === 1
    ? 'One minute for each clip is little for a profile that needs a conversion.'
    : `${minutes} minutes for each clip are few for a profile that needs a conversion.`;
