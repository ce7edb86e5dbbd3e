import { printStops, printStopsDecimal, toThird } from '../units.ts';
import type { NumberAsk } from './types.ts';

/** A signal in per cent, as it stands in a table. */
export const percent = (signal: number): string => `${(100 * signal).toFixed(0)} %`;

/** What thirds may round away before it is told in tenths, stops. */
const ROUNDED = 0.02;

/** A place that is aimed for: in thirds where it is one, else in tenths; `+0.2` told as `+1/3` would be aimed at. */
export const printPlace = (stops: number): string =>
  Math.abs(stops - toThird(stops)) < ROUNDED ? printStops(stops) : printStopsDecimal(stops);

/** A number of stops that is typed. */
export const stopsAsk = (id: string, label: string, truth: number, tolerance: number): NumberAsk => ({
  id,
  kind: 'number',
  label,
  unit: 'stops',
  by: 'typing',
  truth: [truth, truth],
  tolerance,
  within: [-8, 8],
  step: 1 / 3,
});
