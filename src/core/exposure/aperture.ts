/** Marked f-numbers in thirds of a stop from f/1 (ISO 517 series); the mark is rounded, 2^(k/6) is meant. */
export const F_NUMBERS = [
  1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13, 14, 16,
  18, 20, 22, 25, 29, 32, 36, 40, 45,
] as const;

/**
 * Other marks that lenses carry: wider than f/1, half stops, and 28 for 28.5; by the stops
 * from f/1 they mean. Common practice.
 */
const OTHER_MARKS: Readonly<Record<string, number>> = {
  '0.7': -1,
  '0.8': -2 / 3,
  '0.9': -1 / 3,
  '1.7': 1.5,
  '2.4': 2.5,
  '3.3': 3.5,
  '3.4': 3.5,
  '4.8': 4.5,
  '6.7': 5.5,
  '9.5': 6.5,
  '19': 8.5,
  '27': 9.5,
  '28': 29 / 3,
  '38': 10.5,
};

/**
 * The exact f-number a mark stands for; a mark of neither series (a fixed lens, f/1.9) is taken as it is.
 * @throws RangeError when not above 0.
 */
export const exactFNumber = (marked: number): number => {
  if (!(marked > 0)) throw new RangeError(`exactFNumber: marked must be above 0, got ${marked}`);
  const k = (F_NUMBERS as readonly number[]).indexOf(marked);
  if (k >= 0) return 2 ** (k / 6);
  const stops = OTHER_MARKS[String(marked)];
  return stops === undefined ? marked : 2 ** (stops / 2);
};

export const printFNumber = (marked: number): string => `f/${marked}`;
