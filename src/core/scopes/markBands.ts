import { CARD_TOLERANCE, SKIN_TOLERANCE } from '../exposure/zebraLevels.ts';
import { CLIP_SLACK, type MarkBand } from '../lut/marks.ts';
import type { Triple } from '../maths/matrix.ts';
import { printStops } from '../units.ts';
import { rampBytes, RAMP_STOPS } from './ramp.ts';

// Okabe and Ito 2008, Color Universal Design: told apart by colour-blind eyes as well. 0..255.
const COLOURS = {
  vermillion: [213, 94, 0],
  skyBlue: [86, 180, 233],
  bluishGreen: [0, 158, 115],
  yellow: [240, 228, 66],
  reddishPurple: [204, 121, 167],
  blue: [0, 114, 178],
} as const satisfies Record<string, Triple>;
const FACES = ['skyBlue', 'reddishPurple', 'yellow'] as const;
const signalOf = ([r, g, b]: Triple): Triple => [r / 255, g / 255, b / 255];

/** What clips, the card, each face and what is under the floor; where two meet, the first one is painted. */
export const plannedBands = (plan: {
  readonly placement: number;
  readonly faces: readonly { readonly name: string; readonly stops: number }[];
  readonly clipStops: number;
  readonly floorStops: number;
}): MarkBand[] => [
  {
    id: 'clip',
    name: 'clips',
    from: plan.clipStops - CLIP_SLACK,
    colour: signalOf(COLOURS.vermillion),
    anyChannel: true,
  },
  {
    id: 'card',
    name: 'card',
    from: plan.placement - CARD_TOLERANCE,
    to: plan.placement + CARD_TOLERANCE,
    colour: signalOf(COLOURS.bluishGreen),
  },
  ...plan.faces.map(({ name, stops }, i): MarkBand => ({
    id: `face ${i + 1}`,
    name,
    from: stops - SKIN_TOLERANCE,
    to: stops + SKIN_TOLERANCE,
    colour: signalOf(COLOURS[FACES[i % FACES.length]]),
  })),
  { id: 'floor', name: 'under the floor', to: plan.floorStops, colour: signalOf(COLOURS.blue) },
];

/** Each second stop is this much darker: neighbours stay apart where hues do not. */
const DARKER = 0.72;

/** Every whole stop in a colour of its own, light and dark by turns, up to the clip. */
export const stopBands = (clipStops: number): MarkBand[] => {
  const [low, high] = RAMP_STOPS;
  const top = Math.min(high, Math.ceil(clipStops));
  const stops = Array.from({ length: top - low }, (_, i) => low + i);
  return [
    {
      id: 'clip',
      name: 'clips',
      from: clipStops - CLIP_SLACK,
      colour: signalOf(COLOURS.vermillion),
      anyChannel: true,
    },
    ...stops.map((stop): MarkBand => {
      const colour = signalOf([...rampBytes('viridis', stop + 0.5)] as [number, number, number]);
      const shade = stop % 2 === 0 ? 1 : DARKER;
      return {
        id: `stop ${stop}`,
        name: `${printStops(stop)} to ${printStops(stop + 1)}`,
        from: stop,
        to: stop + 1,
        colour: [shade * colour[0], shade * colour[1], shade * colour[2]],
      };
    }),
    { id: 'dark', name: `under ${printStops(low)}`, to: low, colour: [0, 0, 0] },
  ];
};
