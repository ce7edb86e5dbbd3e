import type { TemperatureFound } from '../colour/temperature.ts';
import { said } from '../said.ts';
import {
  printStops,
  printStopsDecimal,
  printStopsExact,
  printStopsLength,
  printStopsOf,
  toThird,
} from '../units.ts';
import { capital, printShare } from './wording.ts';

// What the verdicts say where a sentence is longer than a line: values in, a sentence out. Stops throughout.

const tooWhat = (off: number) => `${printStopsLength(toThird(off))} too ${off > 0 ? 'dark' : 'bright'}`;

export const withinDoubt = (stops: number): string =>
  `The inferred curve itself is uncertain by ±${stops.toFixed(2)} stop here: more readings of the camera in Kit tell.`;

export const areaIsWhite = (place: string): string =>
  `${capital(place)}, all three channels. A light source may go; else close until it holds.`;

export const channelClips = (place: string): string =>
  `${capital(place)}: hue shifts before white. Close 1/3 and look again, or cool the balance.`;

export const openForShadows = (by: number, room: number): string => {
  const opened = `Open ${printStopsLength(by)}`;
  const left = printStopsLength(toThird(room));
  return by <= room + 1 / 6
    ? `${opened}: the highlights have ${left} left.`
    : `${opened} costs highlights (room ${left}): add light instead.`;
};

export const shadowsLie = (place: string, share: number, floorStops: number): string =>
  `${capital(place)}, ${printShare(share)} under ${printStopsExact(floorStops)}. `;

/** `+1.28 − (+1 + own +0.2) = +0.08` */
export const ownOffset = (stops: number, placement: number, own: number, offset: number): string => {
  const planned = `${printStops(placement)} + own ${printStopsDecimal(own)}`;
  return `${printStopsDecimal(stops, 2)} − (${planned}) = ${printStopsDecimal(offset, 2)}`;
};

/** `−6 − −1 = −5` */
export const less = (from: number, by: number): string => {
  const left = printStopsDecimal(from - by);
  return `${printStopsDecimal(from)} − ${printStopsDecimal(by)} = ${left}`;
};

export const pushCosts = (pull: number, cleanTo: number): string => {
  const times = (2 ** -pull).toFixed(1);
  return `The push makes noise ${times} times as large; usable only to ${printStopsExact(cleanTo)}.`;
};

export const pullLeaves = (pull: number, cleanTo: number): string =>
  `Shadows usable to ${printStopsExact(cleanTo)} under the card${pull > 0 ? ' after the pull' : ''}.`;

export const noiseCovers = (percent: string, noise: number): string => {
  const covers = `${noise.toFixed(1)} code of noise covers it`;
  return `A code is ${percent} % of luminance after the grade; ${covers}. No denoising before it.`;
};

/** The light a neutral stands in, by its colour. */
export const lightThere = (kelvin: number, stands: TemperatureFound['stands']): string => {
  if (stands === 'none')
    return ' The light there has no colour temperature: its colour lies too far off white.';
  if (stands === 'beyond')
    return ` The light there is ${kelvin > 25_000 ? 'beyond 25 000' : 'under 1000'} K.`;
  return ` The light there is about ${Math.round(kelvin / 10) * 10} K.`;
};

export const castSeen = (kind: string, tint: string | undefined, light: string): string => {
  const and = tint === undefined ? '' : `, and ${tint}`;
  return `By the ${kind}${and}.${light} Dial it, or keep the cast on purpose.`;
};

export const screenOnCard = (pullStops: number, found: number): string => {
  const lies = `Its LUT pulls ${printStopsDecimal(pullStops)}, the card lies at ${printStopsDecimal(found)}`;
  return `${lies}: the screen looks ${tooWhat(pullStops - found)}. Go by the number.`;
};

export const screenOnPlan = (pullStops: number, placement: number): string => {
  const placed = `the card is placed at ${printStopsDecimal(placement)}`;
  const looks = `the screen looks ${tooWhat(pullStops - placement)}`;
  return `It puts ${printStopsDecimal(pullStops)} on grey, ${placed}: ${looks}. Load one with the plan’s pull.`;
};

export const mayBe = (kinds: readonly string[]): string =>
  `It hardly was recorded as it is set. It may be ${kinds.join(', or ')}. Look at how the file was made.`;

export const darkerThanBlack = (black: number): string =>
  `This profile's black is at ${(100 * black).toFixed(0)} %: these ends are a finished picture's. Open the original.`;

export const endsLie = (kind: string): string =>
  `Its darkest and brightest tones lie where ${kind} has them. Compare with what was dialled.`;

export const standsOn = (range: string): string =>
  `Its darkest and brightest tones lie where this profile has them in ${range} range. Set that under the picture.`;

export const FLAT_OR_LOG =
  'Flat and without black under a finished profile. A flat scene looks so too: if it was none, it is log.';

export const movesBy = (by: string, stops: number, mired: number | undefined): string => {
  const balance = mired === undefined ? '' : `, the balance ${mired.toFixed(0)} mired`;
  return `The ${by} moves ${stops.toFixed(2)} stop${balance}.`;
};

export const fileAgainstCard = (told: string, meant: string, also: readonly string[]): string => {
  const more = also.length > 0 ? `; also ${also.join(', ')}` : '';
  return `The file has ${told}, the card ${meant}${more}. Check the camera’s menu or the card’s profile.`;
};

/** What is said of a picture that hardly is what is set, where several others are as likely. */
export const CANNOT_TELL = 'Not as set: cannot tell';

export const KIND_HOLDS =
  'Doubted where what is set is under 20 % likely and something else three times as likely, by the darkest and ' +
  'brightest tones and by what lies outside it. ' +
  'Told where nothing else comes within a tenth. Limits of our own.';

const overUnder = (stops: number): string => `${printStopsOf(stops)} ${stops > 0 ? 'over' : 'under'}`;

export const indexFromBefore = (offset: number, other: number, set: number): string =>
  said(
    `The card lies ${overUnder(offset)} the plan, just where EI ${other} would put it.`,
    `Look at the dial: the plan says EI ${set}.`,
  );

export const assistStays = (placement: number, set: number): string =>
  said(
    `At EI ${set} the sensor gets ${printStopsOf(placement)} ${placement > 0 ? 'more' : 'less'} light,`,
    'and the camera’s display LUT stays where it was:',
    `the display looks ${placement > 0 ? 'too bright' : 'too dark'} by that.`,
    'Trust the zebra, or load a LUT with the pull in it.',
  );
