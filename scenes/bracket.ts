import { encodePicture, type TestPicture } from '#core/fixtures/testPictures.ts';
import type { Frame } from '#core/frame/frame.ts';
import { stopsToReflectance } from '#core/units.ts';
import { BRACKET_CARD, BRACKET_TRUTH } from '#store/demo/bracket.ts';

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

/** One frame of the demo bracket. Same stops, same codes. */
export const bracketFrame = (stops: number): Frame =>
  encodePicture(cardOnStand(), {
    ...SIZE,
    ...BRACKET_TRUTH,
    placement: stops,
    seed: 40 + Math.round(2 * stops),
  });
