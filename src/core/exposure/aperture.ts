/** Marked f-numbers in thirds of a stop from f/1 (ISO 517 series); the mark is rounded, 2^(k/6) is meant. */
export const F_NUMBERS = [
  1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13, 14, 16,
  18, 20, 22,
] as const;

/**
 * The exact f-number a mark stands for; a mark that is not in the list (a fixed lens, f/1.9) is taken as it is.
 * @throws RangeError when not above 0.
 */
export const exactFNumber = (marked: number): number => {
  if (!(marked > 0)) throw new RangeError(`exactFNumber: marked must be above 0, got ${marked}`);
  const k = (F_NUMBERS as readonly number[]).indexOf(marked);
  return k < 0 ? marked : 2 ** (k / 6);
};

export const printFNumber = (marked: number): string => `f/${marked}`;
