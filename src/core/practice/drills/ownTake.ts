import { said } from '../../said.ts';
import { printStops, printStopsDecimal } from '../../units.ts';
import { stopsAsk } from '../asks.ts';
import { pick } from '../random.ts';
import type { Drill, Level } from '../types.ts';

const TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 3, 3: 1 / 4 };
/** A take nearer to its plan than this is as planned: a third is what nobody sees. */
const AS_PLANNED = 1 / 3;

const wayOf = (off: number): string => (Math.abs(off) <= AS_PLANNED ? 'planned' : off > 0 ? 'over' : 'under');

/** A take of one's own with a marked card or face: guess first, then see what was measured. */
export const ownTake: Drill = {
  id: 'own-take',
  name: 'Your own takes',
  says: 'A take with marks, its verdict hidden: where did it come to lie?',
  skill: 'reading',
  needs: 'takes',
  make: ({ random, world, level }) => {
    const take = pick(random, world.takes ?? []);
    const mark = pick(random, take.marks);
    const asksPlan = mark.kind === 'card';
    return {
      placement: take.placement,
      takeId: take.id,
      text: said(
        `Take ${take.number}, ${take.setupName}, ${take.cameraName} in ${take.profileName}.`,
        `Where did the mark “${mark.name}” come to lie?`,
      ),
      facts: [{ name: 'Planned placement', value: printStops(take.placement) }],
      asks: [
        stopsAsk('stops', `${mark.name}, stops over grey`, mark.stops, TOLERANCE[level]),
        ...(asksPlan
          ? [
              {
                id: 'way',
                kind: 'choice',
                label: 'Against the plan',
                options: [
                  { id: 'planned', says: 'As planned, within a third' },
                  { id: 'over', says: 'Over the plan' },
                  { id: 'under', says: 'Under the plan' },
                ],
                right: [wayOf(mark.stops - take.placement)],
              } as const,
            ]
          : []),
      ],
    };
  },
  explain: ({ asks: [ask], placement }) => ({
    because: said(
      'Measured on the recorded codes:',
      `${ask.kind === 'number' ? printStopsDecimal(ask.truth[0], 2) : ''} over grey, in a take`,
      `that was planned at ${printStops(placement)}.`,
    ),
    careful: 'Guesses before looking at the verdict, every time: that is how an eye is set.',
  }),
};
