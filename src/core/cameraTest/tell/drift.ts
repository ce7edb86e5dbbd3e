import { lightOfNeutral } from '../../colour/neutral.ts';
import type { Triple } from '../../maths/matrix.ts';
import { said } from '../../said.ts';
import type { TestGround, Told } from './types.ts';

/** What a card's level may do between two shots without a word, stops. */
const TOLD = 0.05;

/** What has moved from the first card to the last: lamp and camera warming up. */
export const driftOf = ({ filmed, curve, gamut }: TestGround): Told => {
  const [first, again] = ['first', 'again'].map((kind) => filmed.find(({ shot }) => shot.kind === kind));
  if (!first || !again)
    return { figures: [], missing: [{ what: 'what moves while lamp and camera warm up', shot: 'again' }] };
  const from = [first.shot.id, again.shot.id];
  const stops = curve.stopsAt(again.hold.card.signal) - curve.stopsAt(first.hold.card.signal);
  const dial = { kelvin: first.shot.settings.kelvin, duv: 0 };
  const lights = [first, again].map(({ hold }) => hold.card.channels.map(curve.lightAt));
  const kelvins = lights.every((light) => light.every((v) => v > 0))
    ? lights.map((light) => lightOfNeutral(light as unknown as Triple, gamut, dial).kelvin)
    : undefined;
  const moved = Math.abs(stops) > TOLD;
  return {
    figures: [
      {
        id: 'drift.stops',
        name: 'light from the first card to the last',
        value: stops,
        unit: 'stops',
        plusMinus: 0.02,
        from,
      },
      ...(kelvins
        ? [
            {
              id: 'drift.mired',
              name: 'colour from the first card to the last, warm plus',
              value: 1e6 / kelvins[1] - 1e6 / kelvins[0],
              unit: 'mired' as const,
              plusMinus: 2,
              from,
            },
          ]
        : []),
    ],
    warnings: moved
      ? [
          said(
            `The light moved by ${Math.abs(stops).toFixed(2)} stop from the first card to the last:`,
            'let the lamp warm up for ten minutes, or film away from a window.',
            'The bracket carries it as an error of its steps.',
          ),
        ]
      : [],
  };
};
