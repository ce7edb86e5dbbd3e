import { said } from '../../said.ts';
import { compileProfile } from '../../profile/index.ts';
import { printStops } from '../../units.ts';
import { pick, shuffled } from '../random.ts';
import { cardAim, exposeMade, roomyPlacement, scenesWith, turnWords } from '../stageTask.ts';
import type { Drill, Level, Option, Task } from '../types.ts';
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

/** The room itself, where the stage has it. */
const ROOMS: readonly string[] = ['hall-wide', 'hall-speaker'];

const aimOf = ({ asks }: Task): number => {
  const card = asks.find(({ id }) => id === 'card');
  return card?.kind === 'number' ? card.truth[0] : 0;
};

/** Several cameras on one stage, and the doors open soon. */
export const liveRoom: Drill = {
  id: 'live-room',
  name: 'Live room before the doors open',
  says: 'Bring the second camera to the hero, and know in which order a room is put right.',
  skill: 'post',
  make: (making) => {
    const { random, world, level, camera, profileId } = making;
    const others = world.cameras.filter(({ id }) => id !== camera.id);
    const second = others.length > 0 ? pick(random, others) : camera;
    const secondProfile = pick(random, second.profiles);
    const placement = roomyPlacement({ ...making, camera: second, profileId: secondProfile.id });
    const all = scenesWith(world.scenes);
    const rooms = all.filter(({ id }) => ROOMS.includes(id));
    const scene = pick(random, rooms.length > 0 ? rooms : all);
    const steps = STEPS.filter(({ id }) => STEPS_AT[level].includes(id));
    const { stage, asks } = exposeMade(
      { ...making, camera: second, profileId: secondProfile.id },
      scene,
      cardAim(scene, placement),
      { aids: ['picture', 'waveform'] },
    );
    return {
      camera: second,
      profileId: secondProfile.id,
      // What the card is to come to is read off the hero, not off the second camera's own card.
      placement: 0,
      text: said(
        `${scene.name}, two inputs, one card on the stage. ${camera.name} is the hero and stays as it is:`,
        `bring the card in ${second.name}, ${secondProfile.name}, to as many stops as the hero has.`,
        'Its own placement is not set yet. And what comes first?',
      ),
      facts: [
        { name: `${camera.name} reads the card at`, value: reads(camera, profileId, placement) },
        {
          name: `In its profile ${[-1, 0, 1, 2].map((stops) => printStops(stops)).join(', ')} reads`,
          value: [-1, 0, 1, 2].map((stops) => reads(camera, profileId, stops)).join(', '),
        },
      ],
      stage,
      asks: [
        ...asks,
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
  explain: (task) => ({
    because: said(
      `The hero’s card lies at ${printStops(aimOf(task))}: its per cent read in its own profile.`,
      turnWords(task),
      'The same per cent means another stop in each profile.',
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
