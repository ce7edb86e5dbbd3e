import type { Rect } from '../frame/frame.ts';
import { placeWords } from '../scopes/regions.ts';
import { printStopsLength, toThird } from '../units.ts';
import type { FrameMeasurement } from '../scopes/measureFrame.ts';

/** Share of the picture as `0.6 %`; under a tenth of a percent it says so. */
export const printShare = (share: number): string => {
  if (share === 0) return '0 %';
  return share < 0.001 ? '< 0.1 %' : `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;
};

export const where = (rect: Rect | undefined, { width, height }: FrameMeasurement): string =>
  rect ? placeWords(rect, width, height) : 'scattered points';

/** "open 2/3" or "close 1 1/3": what brings an offset back to 0. */
export const openOrClose = (offset: number): string =>
  `${offset < 0 ? 'Open' : 'Close'} ${printStopsLength(toThird(offset))}`;

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
