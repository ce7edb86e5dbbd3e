import { said } from '../../said.ts';
import { printStops, printStopsDecimal } from '../../units.ts';
import { percent, stopsAsk } from '../asks.ts';
import { pick } from '../random.ts';
import type { Drill, Level } from '../types.ts';
import type { PracticeBracket } from '../world.ts';

const TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 2, 3: 1 / 3 };
/** Steps either side of the one that is asked about, as help. */
const HELP: Readonly<Record<Level, number>> = { 1: 2, 2: 4, 3: Infinity };
/** Two steps closer than this read the same: at the clip and in the black nothing can be told. */
const SAME = 0.01;

/** Steps that can be told from both their neighbours, not at either end. */
export const toldSteps = ({ steps }: PracticeBracket): readonly number[] =>
  steps.flatMap((_, i) => {
    if (i === 0 || i === steps.length - 1) return [];
    const [down, up] = [steps[i].signal - steps[i - 1].signal, steps[i + 1].signal - steps[i].signal];
    return down > SAME && up > SAME ? [i] : [];
  });

/** A bracket of one's own: one of its frames, and the question how it was exposed. */
export const ownBracket: Drill = {
  id: 'own-bracket',
  name: 'Your own bracket',
  says: 'One frame of a bracket that you filmed: how far over grey was it?',
  skill: 'reading',
  needs: 'bracket',
  make: ({ random, world, level }) => {
    const bracket = pick(random, world.brackets ?? []);
    const { steps, profileId, profileName } = bracket;
    const at = pick(random, toldSteps(bracket));
    const { stops, signal } = steps[at];
    // At the highest level only grey is known, as on set.
    const grey = steps.reduce((best, step) => (Math.abs(step.stops) < Math.abs(best.stops) ? step : best));
    const known = steps.filter((step, i) =>
      level === 3
        ? step === grey
        : i !== at && Math.abs(i - at) >= level && Math.abs(i - at) <= HELP[level] + level,
    );
    const camera = world.cameras.find(({ profiles }) => profiles.some(({ id }) => id === profileId));
    return {
      ...(camera ? { camera, profileId } : {}),
      placement: 0,
      text: said(
        `A frame of the bracket for ${profileName}: the card read ${percent(signal)} of signal.`,
        'How far over grey was it exposed?',
      ),
      facts: [],
      table: {
        head: ['The card at', 'reads'],
        rows: known.map((step) => [printStops(step.stops), percent(step.signal)]),
      },
      asks: [stopsAsk('stops', 'The frame, stops over grey', stops, TOLERANCE[level])],
    };
  },
  explain: ({ asks: [ask] }) => ({
    because: said(
      'It was filmed at',
      `${ask.kind === 'number' ? printStopsDecimal(ask.truth[0], 2) : ''}, by the shutter.`,
      'Between two known levels a log curve is close to a straight line in stops.',
    ),
    careful:
      'Knows three levels of the profile by heart, grey and a stop either side, and counts from there.',
  }),
};
