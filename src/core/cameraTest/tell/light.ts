import { lightOfNeutral } from '../../colour/neutral.ts';
import type { Triple } from '../../maths/matrix.ts';
import { said } from '../../said.ts';
import { printStopsOf } from '../../units.ts';
import type { Figure, TestGround, Told } from './types.ts';

/** Colour that may change across a card in one light, mired; level that may, stops. Our own choice. */
const MIXED = 6;
const UNEVEN = 0.25;
/** How exactly a half of a card is read, 95 %: mired, stops. */
const READ = { mired: 1.5, stops: 0.02 } as const;

/** Halves of a card that lie across from each other. */
const ACROSS = [
  { first: 0, second: 1, names: ['left', 'right'] },
  { first: 2, second: 3, names: ['upper', 'lower'] },
] as const;

/** The light on the card: whether it is one light, and even. */
export const lightOnCard = ({ filmed, curve, gamut }: TestGround): Told => {
  const one =
    filmed.find(({ shot }) => shot.kind === 'first') ??
    filmed.find(({ shot }) => shot.view === 'card' && shot.settings.stops === 0);
  const halves = one?.hold.card.halves.map((half) => half.map(curve.lightAt) as unknown as Triple);
  if (!one || !halves?.every((half) => half.every((v) => v > 0))) return { figures: [] };
  const dial = { kelvin: one.shot.settings.kelvin, duv: 0 };
  const seen = halves.map((half) => ({
    mired: 1e6 / lightOfNeutral(half, gamut, dial).kelvin,
    // Green stands for the level: it is most of luma.
    stops: Math.log2(half[1]),
  }));
  // Halves lie half a card apart: from edge to edge it is twice as much.
  const across = ACROSS.map(({ first, second, names }) => ({
    names,
    mired: 2 * (seen[first].mired - seen[second].mired),
    stops: 2 * (seen[first].stops - seen[second].stops),
  }));
  const worst = (pick: 'mired' | 'stops') =>
    across.reduce((a, b) => (Math.abs(b[pick]) > Math.abs(a[pick]) ? b : a));
  const [colour, level] = [worst('mired'), worst('stops')];
  const from = [one.shot.id];
  const figures: readonly Figure[] = [
    {
      id: 'light.mixed',
      name: 'colour of the light from edge to edge of the card',
      value: Math.abs(colour.mired),
      unit: 'mired',
      plusMinus: 2 * READ.mired,
      from,
    },
    {
      id: 'light.uneven',
      name: 'light from edge to edge of the card',
      value: Math.abs(level.stops),
      unit: 'stops',
      plusMinus: 2 * READ.stops,
      from,
    },
  ];
  const warmer = colour.names[colour.mired > 0 ? 0 : 1];
  const brighter = level.names[level.stops > 0 ? 0 : 1];
  return {
    figures,
    warnings: [
      ...(Math.abs(colour.mired) > MIXED
        ? [
            said(
              `Two lights fall on the card: its ${warmer} side is ${Math.abs(colour.mired).toFixed(0)} mired warmer.`,
              'Curve, noise and ISO steps hold; lean and balance are those of the mix.',
              'Switch one light off, or curtain the window, and film the balance shots again.',
            ),
          ]
        : []),
      ...(Math.abs(level.stops) > UNEVEN
        ? [
            said(
              `The card’s ${brighter} side is ${printStopsOf(level.stops)} brighter:`,
              'take the lamp farther away, or turn the card to it. Its middle counts.',
            ),
          ]
        : []),
    ],
  };
};
