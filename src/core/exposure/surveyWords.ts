import { printStopsDecimal } from '../units.ts';

/** A reading of grey that differs from the others, in stops. */
export const readAgain = (name: string, off: number, others: string): string => {
  const puts = `By ${name}, grey lies ${printStopsDecimal(off)} from where ${others} put it`;
  return `${puts}: read it again; if the number stays, that place is in another light.`;
};

export const brighterThanSun = 'that is brighter than the sun’s disc: read it again, and look at the unit';
export const darkerThanNight = 'that is darker than a moonless night: read it again, and look at the unit';
export const tooFarFromCard = (most: number): string =>
  `no two places lie ${most} stops apart: read it again, and look at the unit`;
