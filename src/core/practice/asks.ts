import type { NumberAsk } from './types.ts';

/** A signal in per cent, as it stands in a table. */
export const percent = (signal: number): string => `${(100 * signal).toFixed(0)} %`;

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
