import { ARCHETYPES } from '../profile/index.ts';
import { stopsToReflectance } from '../units.ts';
import { encodePicture, type TestPicture } from './testPictures.ts';
import type { Frame } from '../frame/frame.ts';

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

const SIZE = { width: 192, height: 108 } as const;

/** A card on a stand before a wall, the light falling off a little from left to right. */
const cardOnStand = (): TestPicture => ({
  patches: [{ id: 'card', kind: 'card', stops: 0, rect: BRACKET_CARD }],
  paint: (u, v) => {
    const { x, y, width, height } = BRACKET_CARD;
    const onCard = u >= x && u < x + width && v >= y && v < y + height;
    const light = stopsToReflectance(onCard ? 0 : v > 0.86 ? -2.4 : -1.3) * (1 + 0.06 * (0.5 - u));
    return [light, light, light];
  },
});

export const bracketFile = (stops: number): string =>
  `card-${stops < 0 ? 'under' : 'over'}-${Math.abs(stops)}.png`;

/** One frame of the demo bracket. Same stops, same codes. */
export const bracketFrame = (stops: number): Frame =>
  encodePicture(cardOnStand(), {
    ...SIZE,
    ...BRACKET_TRUTH,
    placement: stops,
    seed: 40 + Math.round(2 * stops),
  });
