import type { LutLoss } from '#core/lut/loss.ts';
import { printStopsDecimal } from '#core/units.ts';

/** Where two curves lie furthest apart: stops over grey, and percent of signal. */
export const furthestApart = ({ stops, by }: { readonly stops: number; readonly by: number }): string => {
  const way = by < 0 ? 'lower' : 'higher';
  return `furthest apart at ${printStopsDecimal(stops)}: B ${way} by ${Math.abs(by).toFixed(1)} %`;
};

export const greyAxisLoss = ({ stops, stopsAt }: LutLoss): string => {
  const lost = Number.isFinite(stops) ? stops.toFixed(3) : 'over 10';
  return `${lost} stop at ${(100 * stopsAt).toFixed(0)} % in`;
};
