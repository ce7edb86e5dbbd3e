import type { Said } from './said.ts';

/** Labels and headings of renaming, duplicating, deleting. */
export const words = {
  delete: 'Delete',
  keepIt: 'Keep it',
  renameNamed: (what: Said) => `Rename ${what}`,
  duplicateNamed: (what: Said) => `Duplicate ${what}`,
  duplicate: 'Duplicate',
  deleteNamed: (what: Said) => `Delete ${what}`,
  name: 'Name',
  rename: 'Rename',
} as const;
