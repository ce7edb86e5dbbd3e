import { printStopsDecimal } from '../units.ts';

// What the ways to a profile say where a sentence is longer than a line. Signals are shares of 1, tones stops.

const share = (signal: number) => `${(100 * signal).toFixed(1)} %`;

export const outsideScale = (
  name: string,
  reading: number,
  scale: { readonly low: number; readonly high: number; readonly name: string; readonly bitDepth: number },
): string => {
  const span = `${scale.low.toFixed(0)} to ${scale.high.toFixed(0)} ${scale.name} at ${scale.bitDepth} bit`;
  return `${name} reads ${reading}, outside ${span}: check the number or the scale.`;
};

export const tooFewPlaces = (count: number): string => {
  const readings = count === 0 ? 'No reading' : 'One reading';
  return `${readings} with a place: a curve needs two at least, better 0 %, 18 % and 90 %.`;
};

export const poleWithoutCut = (pole: number): string => {
  const lies = `The logarithm has its pole at reflectance ${pole.toPrecision(3)}, inside the range`;
  return `${lies}: type the cut above it where the line takes over.`;
};

export const poleOverCut = (argument: number, pole: number): string => {
  const lies = `the pole at ${pole.toPrecision(3)} lies inside the range`;
  return `a × cut + b is ${argument.toPrecision(3)}: ${lies}. Check b and the cut.`;
};

export const overTopCode = (clipStops: number, reached: number): string => {
  const over = `At ${printStopsDecimal(clipStops)} the formula is over the top code`;
  return `${over}: the clip comes at ${printStopsDecimal(reached)}.`;
};

/** Names of rows after which the rest is only counted. */
const NAMED_ROWS = 6;

export const doesNotRise = (rows: readonly string[]): string => {
  const more = rows.length > NAMED_ROWS ? ` and ${rows.length - NAMED_ROWS} more` : '';
  const named = rows.slice(0, NAMED_ROWS).join(', ');
  return `The curve must rise from row to row; it does not at ${named}${more}.`;
};

export const flatRowsCut = (spans: readonly string[]): string =>
  `Flat, so taken as clipped and left out: ${spans.join('; ')}.`;

export const clipUnderKnee = (clipStops: number, kneeStops: number): string => {
  const starts = `the knee’s start at ${printStopsDecimal(kneeStops)}`;
  return `The clip at ${printStopsDecimal(clipStops)} lies under ${starts}.`;
};

export const noSuchKnee = (from: number, reads: number, most: number, clipStops: number): string => {
  const none = `No knee from ${share(from)} reads ${share(reads)} at ${printStopsDecimal(clipStops)}`;
  return `${none}: it must lie over ${share(most)} and under the unbent curve.`;
};

/** @param published The name of the published curve whose form they have instead */
export const notOneLogCurve = (
  worst: { readonly name: string; readonly signal: number },
  published?: string,
): string => {
  const off = `the best one leaves ${worst.name} ${share(Math.abs(worst.signal))} of signal off`;
  if (published !== undefined) {
    const lie = `These readings have the form of ${published}, not of a log curve: ${off}`;
    return `${lie}. Kept as read, with its band; where the camera records ${published}, take the published curve.`;
  }
  const kept = 'Kept as a smooth curve with its band; check the scale';
  return `These readings do not lie on one log curve: ${off}. ${kept}.`;
};

export const stepsLieOff = (stepSd: number): string =>
  `The steps of this bracket scatter by about ±${stepSd.toFixed(2)} stop (shutter or lamp); the band allows for it.`;

export const floorFromNoise = (floorStops: number): string => {
  const twice = `signal is twice the noise at ${printStopsDecimal(floorStops)}`;
  return `From the noise on the card: ${twice}, the usable floor; it goes onto the camera.`;
};

export const noClipTyped = (reached: number): string => {
  const taken = `taken at the top code, ${printStopsDecimal(reached)} stops over grey`;
  return `No clip typed: ${taken}. Film something too bright and read it.`;
};
