import { said } from '../said.ts';
import { compileProfile } from '../../profile/index.ts';
import { printStops } from '../../units.ts';
import { stopsAsk } from '../asks.ts';
import { away, pick, shuffled } from '../random.ts';
import type { Drill, Level, Option } from '../types.ts';
import { profileOf, type PracticeCamera } from '../world.ts';

/** What is done before the doors open, first to last: each rests on the one before. Common practice, no source. */
const STEPS: readonly Option[] = [
  { id: 'light', says: 'The stage light as it will be' },
  { id: 'auto', says: 'Automatics off on every camera' },
  { id: 'hero', says: 'The hero camera to the card: exposure, then balance' },
  { id: 'others', says: 'The others to the hero' },
  { id: 'walk', says: 'A walk through the room before all of them' },
];
const STEPS_AT: Readonly<Record<Level, readonly string[]>> = {
  1: ['light', 'hero', 'others'],
  2: ['light', 'auto', 'hero', 'others'],
  3: ['light', 'auto', 'hero', 'others', 'walk'],
};

const reads = (camera: PracticeCamera, profileId: string, stops: number): string =>
  `${(100 * compileProfile(profileOf(camera, profileId).data).signalAt(stops)).toFixed(1)} %`;

/** Several cameras on one stage, and the doors open soon. */
export const liveRoom: Drill = {
  id: 'live-room',
  name: 'Live room before the doors open',
  says: 'Which input is off, by how much, and in which order it is put right.',
  skill: 'post',
  make: (making) => {
    const { random, world, level, camera, profileId } = making;
    const others = world.cameras.filter(({ id }) => id !== camera.id);
    const second = others.length > 0 ? pick(random, others) : camera;
    const secondProfile = pick(random, second.profiles);
    const { clipStops } = secondProfile.data;
    const off = away(random, 1 / 3, level === 1 ? 4 / 3 : 1);
    const at = Math.min(off, clipStops - 0.5);
    const steps = STEPS.filter(({ id }) => STEPS_AT[level].includes(id));
    return {
      placement: 0,
      text: said(
        `An evening, two inputs, one card on the stage. ${camera.name} is the hero and stands`,
        `right. What does ${second.name} need, and what comes first?`,
      ),
      facts: [
        { name: `${camera.name} reads the card at`, value: reads(camera, profileId, 0) },
        { name: `${second.name} reads the card at`, value: reads(second, secondProfile.id, at) },
        {
          name: `${second.name}: ${[-1, 0, 1].map((stops) => printStops(stops)).join(', ')} would read`,
          value: [-1, 0, 1].map((stops) => reads(second, secondProfile.id, stops)).join(', '),
        },
      ],
      asks: [
        stopsAsk(
          'stops',
          `${second.name}: open (+) or close (−), stops`,
          -at,
          { 1: 1 / 2, 2: 1 / 3, 3: 1 / 4 }[level],
        ),
        {
          id: 'order',
          kind: 'order',
          label: 'First to last',
          options: shuffled(random, steps),
          right: steps.map(({ id }) => id),
        },
      ],
    };
  },
  explain: () => ({
    because: said(
      'The card’s per cent means another stop in each profile: turn it into stops by the',
      'input’s own levels, and the difference is what the iris is turned.',
      'Light comes first, since everything else is set under it.',
    ),
    careful:
      'Sets one camera to the card and brings the others to it, then locks every dial before people come in.',
    schools: said(
      'Some give every camera the card by itself. With different profiles and lenses the cut',
      'still shows; one hero does not.',
    ),
  }),
};
