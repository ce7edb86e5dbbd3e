import type { Said } from './said.ts';

/** Labels and headings of comparing LUTs. */
export const words = {
  aLeftBRight: 'A left, B right',
  whatIsCompared: 'What is compared',
  overTheCube: 'Over the cube',
  meanAndWorstE: 'mean and worst ΔE2000',
  worstAtInput: 'worst at input',
  greyAxis: 'grey axis',
  differenceOverTheCube: (value: Said) => `Difference over the cube, from 0 to ${value}`,
  deltaMeanWorst: (mean: Said, worst: Said) => `ΔE2000 mean ${mean}, worst ${worst}`,
  overStops: 'Over stops',
  whereTonesLand: 'Where tones land',
} as const;
