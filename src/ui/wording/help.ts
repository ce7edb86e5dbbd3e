import type { Said } from './said.ts';

/** Labels and headings of help. */
export const words = {
  theCardMovedFrom: 'The card moved from 0 to +2',
  theCardRecordedAt: 'The card recorded at +2, shown at 0',
  floorAt5Under: 'Floor at −5, under it noise',
  clipAt5Over: 'Clip at +5, over it nothing',
  roomFromTheBrightest: 'Room from the brightest kept tone at +3 to clip at +5',
  aFace12: 'A face 1.2 stops over the card',
  white23Stops: 'White 2.3 stops over the card',
  theWarningFromJust: 'The warning from just under clip up',
  help: 'Help',
  keys: 'Keys',
  words: 'Words',
  guide: 'Guide',
  whatMeans: (which: Said) => `What ${which} means`,
  searchTheWords: 'Search the words',
  searchPullZebraEi: 'Search: pull, zebra, EI…',
  cardAtTwo: 'card +2',
} as const;
