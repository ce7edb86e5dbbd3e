import type { Said } from './said.ts';

/** What is said of a match in the light at hand, on every screen that uses it. */
export const words = {
  outsideLight: (mired: Said, nearest: Said) =>
    `This light lies ${mired} mired outside those that were matched: ${nearest} is used.`,
} as const;
