import type { Said } from './said.ts';

/** Labels and headings of the ladder. */
export const words = {
  placementOfTheCard: 'Placement of the card',
  stops: 'Stops',
  putTheLadderAway: 'Put the ladder away',
  stopLadder: 'Stop ladder',
  warn: 'warn',
  ratio: (stops: Said) => `Ratio ${stops}`,
  white: 'white',
  card: 'card',
} as const;
