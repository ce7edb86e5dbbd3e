import type { FrameMean } from './meterTarget.ts';
import { printStops, printStopsDecimal, stopsWord } from '../units.ts';

const unsigned = (printed: string) => printed.replace('+', '');
const both = (names: readonly string[]) => names.join(' and ');

// What the schools of placement say: a sentence each, from what they worked out. Stops throughout.

export const keptUnderClip = (
  name: string,
  stops: number,
  backOff: number,
  gone: readonly string[],
): string => {
  const under = `${unsigned(printStops(backOff))} ${stopsWord(backOff)} under clip`;
  const holds = `${name} at ${printStopsDecimal(stops)} stays ${under}.`;
  return gone.length > 0 ? `${holds} ${both(gone)} may clip: to hold that too would darken all else.` : holds;
};

export const setByFace = (name: string, offset: number, placement: number): string => {
  const zebra = printStopsDecimal(placement + offset);
  const lies = `${name} lies ${printStopsDecimal(offset)} from grey`;
  return `The card’s placement, set by the face: ${lies}, so its zebra is ${zebra}.`;
};

export const meteredFace = (placement: number, bias: number): string => {
  const less = bias === 0 ? '' : `, its bias of ${printStopsDecimal(bias)} taken off`;
  return `The meter makes the face grey: the card lands at ${printStops(placement)}${less}.`;
};

export const meteredFrame = ({ mean, within, pulledBy }: FrameMean, compensation: number): string => {
  const reads = `The frame’s mean lies ${printStopsDecimal(mean)} ±${within.toFixed(1)} from grey`;
  const pulled = pulledBy === undefined ? '' : ` ${pulledBy} pulls it most.`;
  return `${reads}; compensation ${printStopsDecimal(compensation)}.${pulled}`;
};

/** What a recommendation lets go; empty where it holds everything. */
const letGo = (names: readonly string[]): string => (names.length > 0 ? ` ${both(names)} may clip.` : '');

export const leftAtGrey = (isFinished: boolean, gone: readonly string[]): string => {
  const because = isFinished ? 'A finished picture' : 'Little room over grey';
  return `${because}: the card stays at the profile’s grey, and there is no pull to remember.${letGo(gone)}`;
};

export const samePullForAll = (placement: number, room: number, gone: readonly string[]): string => {
  const stops = unsigned(printStopsDecimal(room));
  const keeps = `${printStops(placement)} keeps ${stops} stops over the brightest kept tone`;
  return `${keeps}, and every shot takes the same pull.${letGo(gone)}`;
};

export const heldInstead = (fixed: number, bright: number, gone: readonly string[]): string =>
  `${printStops(fixed)} would clip what must be kept; ${printStops(bright)} holds it.${letGo(gone)}`;

export const nothingSpeaks = (gone: readonly string[]): string =>
  `Nothing in this scene asks for another placement than 0.${letGo(gone)}`;

/** What differs where two schools come to the same placement. */
export const sameNumbers = (other: string, doing: string): string =>
  `The same numbers as “${other}”; here ${doing}.`;
