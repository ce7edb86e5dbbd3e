import type { Said } from './said.ts';

/** Labels and headings of back-up in Kit. */
export const words = {
  backUpIntoA: 'Back up into a folder by itself',
  goOnWritingThere: 'Go on writing there',
  stop: 'Stop',
  backUp: 'Back up',
  packing: 'Packing…',
  backUpEverything: 'Back up everything',
  oneShootForA: 'One shoot for a colleague',
  shootToHandOver: 'Shoot to hand over',
  saveThisShoot: 'Save this shoot',
  spaceInThisBrowser: 'Space in this browser',
  askItToKeep: 'Ask it to keep them',
  lastOn: (last: Said) => `last on ${last}`,
  neverDoneHere: 'never done here',
  addedThereWithoutOverwriting: 'added there without overwriting',
} as const;
