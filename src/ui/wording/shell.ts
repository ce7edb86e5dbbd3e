import type { Said } from './said.ts';

/** Labels and headings of the frame round the screens. */
export const words = {
  orderOfWork: 'Order of work',
  undoNamed: (undoable: Said) => `Undo ${undoable}`,
  redoNamed: (redoable: Said) => `Redo ${redoable}`,
  surroundIs: (surround: Said) => `Surround: ${surround}`,
  surroundKey: (surround: Said) => `Surround: ${surround} (B)`,
  help: 'Help',
  helpKeysWordsGuideKey: 'Help: keys, words, guide (?)',
  candelumToPlan: 'Candelum, to Plan',
  surround: 'Surround',
  loadAgain: 'Load again',
  thisScreenStopped: 'This screen stopped',
  theRecordsAreNot: 'The records are not open',
  kit: 'Kit',
  plan: 'Plan',
  judge: 'Judge',
  log: 'Log',
  match: 'Match',
  handOff: 'Hand-off',
  practise: 'Practise',
  dark: 'Dark',
  grey: 'Grey',
  daylight: 'Daylight',
} as const;
