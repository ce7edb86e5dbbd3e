import type { Said } from './said.ts';

/** Labels and headings of form fields. */
export const words = {
  suchAs: (value: Said) => `such as ${value}`,
} as const;
