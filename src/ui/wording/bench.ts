import type { Said } from './said.ts';

/** Labels and headings of the bench: names of edits. */
export const words = {
  placement: (placement: Said) => `Placement ${placement}`,
  iris: (iris: Said) => `Iris ${iris}`,
  whiteBalance: (kelvin: Said) => `White balance ${kelvin}`,
} as const;
