import { said } from '../../said.ts';
import { printZebraOrInstead } from '../../exposure/zebra.ts';
import { printStops } from '../../units.ts';
import { pick } from '../random.ts';
import { cardAim, exposeMade, roomyPlacement, scenesWith, standsWith, turnWords } from '../stageTask.ts';
import type { Drill } from '../types.ts';
import { cardOf } from '../world.ts';

/** The card zebra is set; turn the camera until it lies on the card, and nothing else is there to go by. */
export const exposeByZebra: Drill = {
  id: 'expose-zebra',
  name: 'Expose by zebra alone',
  says: 'Put the grey card where it was planned, with nothing but the card zebra.',
  skill: 'expose',
  make: (making) => {
    const { random, world, camera, profileId } = making;
    const scene = pick(random, scenesWith(world.scenes));
    const placement = roomyPlacement(making);
    const { card } = cardOf(world, camera, profileId, placement);
    return {
      placement,
      text: said(
        `${scene.name}, ${standsWith(making)}. Turn the camera until the grey card lies at`,
        `${printStops(placement)}. Go by the card zebra.`,
      ),
      facts: [
        { name: 'Grey card at', value: printStops(placement) },
        { name: 'Card zebra', value: `${printZebraOrInstead(card)} %` },
      ],
      ...exposeMade(making, scene, cardAim(scene, placement), { aids: ['picture', 'zebraCard'] }),
    };
  },
  explain: (task) => ({
    because: said(
      `${turnWords(task)} The zebra lies on the card only where the card has its level; one`,
      'third of a stop away it is gone.',
    ),
    careful: 'Comes at it from below, sees the zebra appear and go again, and sets the middle.',
    schools: said(
      'Some set the zebra for skin or just under clip instead: both follow what stands in the',
      'picture that day, the card does not.',
    ),
  }),
};
