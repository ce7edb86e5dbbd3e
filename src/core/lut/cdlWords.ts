import { printStops } from '../units.ts';

/** What a pull as a CDL leaves: right within `worst` stops from `from` stops over grey up. */
export const pullCdlLeaves = (worst: number, from: number): string =>
  `From ${printStops(from)} stops up it is right within ${worst.toFixed(2)} stop; under that the toe bends.`;
