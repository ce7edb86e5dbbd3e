import type { Said } from './said.ts';

/** Labels and headings of parts of all screens. */
export const words = {
  partsOf: (of: Said) => `Parts of ${of}`,
  wipeToNamed: (name: Said) => `Wipe to ${name}`,
} as const;
