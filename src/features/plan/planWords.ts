import { DISPLAY_GREY } from '#core/lut/monitoring.ts';
import { printStopsDecimal } from '#core/units.ts';

// Sentences of Plan that are longer than a line.

export const balanceAgain = (turn: string, at: string): string =>
  `${turn} at ${at} falls into it: balance again, or keep one daylight number and let it turn.`;

/** Terabytes once and with the copies, and the hours of grading, in words. */
export const dayTotals = (gb: number, copies: number, grading: string): string => {
  const all = ((gb * (copies + 1)) / 1000).toFixed(1);
  return `${(gb / 1000).toFixed(1)} TB, ${all} with ${copies} copies; ${grading} to grade`;
};

export const spotRead = (name: string, stops: number, bias: number): string => {
  const off = bias === 0 ? '' : ', its meter’s bias taken off';
  return `${name}: ${printStopsDecimal(stops)} over what the camera’s settings call grey${off}.`;
};

export const FLOATING_SHUTTER =
  'Floating shutter: sharp frames to stabilise, blur from post; the other school keeps 180 degrees and puts ND on.';

export const behindTheLut = (): string => {
  const grey = `Behind the LUT grey sits at ${Math.round(100 * DISPLAY_GREY)} %, whatever the profile`;
  return `${grey}; switch the LUT off and the number changes.`;
};
