import type { Said } from './said.ts';

/** Words of what the shell tells: notices, records set aside, a screen that stopped. */
export const words = {
  close: 'Close',
  noShootWithA: 'No shoot with a camera in these records',
  putTheDemoShoot: 'Put the demo shoot in',
  showWhatWasLeft: 'Show what was left out',
  aSetUpWhose: 'A set-up whose screen stopped is left out in this window.',
  showItAgain: 'Show it again',
  aNewVersionOf: 'A new version of Candelum is ready. Nothing typed is lost by loading it.',
  loadIt: 'Load it',
  undo: 'Undo',
  export: 'Export',
  useAMendedFile: 'Use a mended file',
  mendedFileOf: (aside: Said) => `Mended file of ${aside}`,
  delete: 'Delete',
  recordsThatCannotBe: 'Records that cannot be read',
  whatToDo: 'What to do',
  nothingToUndo: 'Nothing to undo',
  goOnWithoutThis: 'Go on without this set-up',
  saveAllRecords: 'Save all records',
} as const;
