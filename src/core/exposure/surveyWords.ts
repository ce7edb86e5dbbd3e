import { printStopsDecimal } from '../units.ts';

/** A reading of grey that differs from the others, in stops. */
export const readAgain = (name: string, off: number, others: string): string => {
  const puts = `${name} puts grey ${printStopsDecimal(off)} from where ${others} put it`;
  return `${puts}: read it again, or it stands in another light.`;
};
