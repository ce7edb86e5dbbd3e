import { said } from '../../said.ts';
import { printStops } from '../../units.ts';
import { pick } from '../random.ts';
import { cardAim, exposeMade, roomyPlacement, scenesWith, standsWith, turnWords } from '../stageTask.ts';
import type { Drill, Making } from '../types.ts';
import type { PracticeScene } from '../world.ts';

/** Scenes whose mean is far from their grey card: white crates, sky, a black stage, lamps at night. */
const MISLEADING = ['packing-yard', 'dunes', 'hall-wide', 'hall-speaker', 'lantern-quay', 'furnace-mouth'];

const meterFacts = ({ camera }: Making, placement: number) => [
  { name: 'Grey card at', value: printStops(placement) },
  ...(camera.meterBias === 0
    ? []
    : [
        {
          name: 'This camera’s meter',
          value: `shows ${printStops(camera.meterBias)} where it should show 0`,
        },
      ]),
];

const meterDrill = (
  own: Pick<Drill, 'id' | 'name' | 'says' | 'explain'> & {
    readonly aid: 'spotMeter' | 'wholeMeter';
    readonly scenes: (scenes: readonly PracticeScene[]) => readonly PracticeScene[];
    readonly how: string;
  },
): Drill => ({
  id: own.id,
  name: own.name,
  says: own.says,
  skill: 'meter',
  explain: own.explain,
  make: (making) => {
    const { random, world } = making;
    const scene = pick(random, own.scenes(scenesWith(world.scenes)));
    const placement = roomyPlacement(making);
    return {
      placement,
      text: said(
        `${scene.name}, ${standsWith(making)}. Turn the camera until the grey card lies at`,
        `${printStops(placement)}. ${own.how}`,
      ),
      facts: meterFacts(making, placement),
      ...exposeMade(making, scene, cardAim(scene, placement), { aids: ['picture', own.aid] }),
    };
  },
});

export const spotMeter = meterDrill({
  id: 'meter-spot',
  name: 'Expose by the spot meter',
  says: 'Point the spot at the card and make it show the placement.',
  aid: 'spotMeter',
  scenes: (scenes) => scenes,
  how: 'Put the spot on the card.',
  explain: (task) => ({
    because: said(
      `${turnWords(task)} A spot on an 18 % card shows the placement itself: at`,
      `${printStops(task.placement)} it shows ${printStops(task.placement)}, with the meter’s`,
      'own error on top.',
    ),
    careful: 'Reads the card, then the key side of the face, and writes both down.',
  }),
});

export const wholeMeter = meterDrill({
  id: 'meter-whole',
  name: 'Whole-frame meter before sky and stage',
  says: 'The meter wants the whole picture to be grey. This one is not.',
  aid: 'wholeMeter',
  scenes: (scenes) => {
    const found = scenes.filter(({ id }) => MISLEADING.includes(id));
    return found.length > 0 ? found : scenes;
  },
  how: 'There is only the whole-frame meter: it is wrong here, by as much as you can judge.',
  explain: (task) => ({
    because: said(
      `${turnWords(task)} A meter over the whole frame takes its mean for grey.`,
      'Sky, white walls and sun in the frame make it ask for less light, a black stage for',
      'more.',
    ),
    careful:
      'Fills the frame with the card in the subject’s light, reads, and locks the exposure before turning back.',
    schools:
      'Some work with a fixed correction per kind of scene. It is better than none, and a spot is better than it.',
  }),
});
