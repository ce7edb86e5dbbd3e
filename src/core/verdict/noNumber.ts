import type { Verdict, VerdictRule } from './types.ts';

/** Counts and planes are whole numbers by their type: what can be no number stands in plain fields and lists. */
const isPlain = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !ArrayBuffer.isView(value);

/**
 * Where a value holds NaN: the names that lead there, `patches, 1, luma`; undefined where it holds none.
 * Infinity is a number here: no light lies endless stops under grey.
 */
export const placeOfNaN = (value: unknown, path: readonly string[] = []): string | undefined => {
  if (Number.isNaN(value)) return path.join(', ');
  if (!isPlain(value)) return undefined;
  for (const [name, part] of Object.entries(value)) {
    const found = placeOfNaN(part, [...path, name]);
    if (found !== undefined) return found;
  }
  return undefined;
};

/** What is said where a figure is no number: nothing that follows from it can be believed. */
export const brokenFigure = (place: string): Omit<Verdict, 'id'> => ({
  state: 'lost',
  title: 'A figure is not a number',
  figure: 'NaN',
  advice: 'Do not trust the verdicts under it: open the file again, and check the profile.',
  arithmetic: [{ label: 'no number', value: place }],
});

export const noNumber = {
  id: 'no-number',
  name: 'Figures that are not numbers',
  threshold: 'Every figure that is measured or planned is a number.',
  judge: ({ measurement, placement, numbers: { clipStops, floorStops, pullStops } }) => {
    const place = placeOfNaN({ measurement, placement, clipStops, floorStops, pullStops });
    return place === undefined ? undefined : brokenFigure(place);
  },
} as const satisfies VerdictRule;
