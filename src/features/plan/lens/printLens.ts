import { words } from '#ui/wording/planLens.ts';

/** A distance as a tape reads it: centimetres near by, whole metres far off. */
export const printDistance = (metres: number): string => {
  if (!Number.isFinite(metres)) return words.horizon;
  return metres.toFixed(metres < 10 ? 2 : metres < 100 ? 1 : 0);
};
export const printMetres = (metres: number): string =>
  Number.isFinite(metres) ? words.metres(printDistance(metres)) : words.horizon;

/** A share in percent, two figures. */
export const printShare = (share: number): string => Number((100 * share).toPrecision(2)).toString();

/** An exact f-number as it is spoken. */
export const printExactF = (fNumber: number): string => Number(fNumber.toPrecision(2)).toString();
