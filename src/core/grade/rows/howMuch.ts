import type { GradeValue } from './types.ts';

/** So much of a row that is there as a whole. */
export const howMuch = (says: string): GradeValue => ({
  name: 'How much',
  unit: 'percent',
  min: 0,
  max: 1,
  step: 0.05,
  neutral: 0,
  says,
});
