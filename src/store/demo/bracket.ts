import { ARCHETYPES } from '#core/profile/index.ts';

/** Where the card lies on the demo bracket, in fractions of the picture. */
export const BRACKET_CARD = { x: 0.4, y: 0.3, width: 0.2, height: 0.4 } as const;

/** Nine frames of a grey card by shutter, on the air cam: stops over nominal. The last two are clipped. */
export const BRACKET_STOPS_FILMED = [-4, -3, -2, -1, 0, 2, 4, 5.5, 6.5] as const;

/** What the nine were made from: the truth a solver has to find. */
export const BRACKET_TRUTH = {
  profile: ARCHETYPES.mildLog,
  coding: { bitDepth: 10, range: 'full' },
  greyElectrons: 700,
  readElectrons: 4,
} as const;

/** The file of a frame, under `/demo/bracket`. */
export const bracketFile = (stops: number): string =>
  `card-${stops < 0 ? 'under' : 'over'}-${Math.abs(stops)}.png`;
