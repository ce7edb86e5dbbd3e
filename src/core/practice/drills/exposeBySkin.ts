import { said } from '../../said.ts';
import { printZebraOrInstead } from '../../exposure/zebra.ts';
import { printStops } from '../../units.ts';
import { printPlace } from '../asks.ts';
import { pick } from '../random.ts';
import { exposeMade, peopleIn, roomyPlacement, scenesWith, standsWith, turnWords } from '../stageTask.ts';
import type { Drill } from '../types.ts';
import { cardOf, faceIn } from '../world.ts';

/** No card in sight: a face belongs where its skin offset says. */
export const exposeBySkin: Drill = {
  id: 'expose-skin',
  name: 'Expose by skin alone',
  says: 'Put the key side of a face where it belongs, whoever it is.',
  skill: 'expose',
  needs: 'faces',
  make: (making) => {
    const { random, world, camera, profileId } = making;
    // Whose face it is comes first, so that everybody is met equally often.
    const subject = pick(random, peopleIn(world));
    const scene = pick(random, scenesWith(world.scenes, subject.id));
    const face = faceIn(scene, subject.id)!;
    const placement = roomyPlacement(making);
    const stops = placement + subject.skinOffset;
    const { skin } = cardOf(world, camera, profileId, placement, [subject]);
    return {
      placement,
      subject,
      text: said(
        `${scene.name}, ${standsWith(making)}. Leave the card aside.`,
        `Turn the camera until the key side of ${subject.name}’s face lies at`,
        `${printPlace(stops)}. Go by the skin zebra.`,
      ),
      facts: [
        { name: `${subject.name}’s skin against grey`, value: printPlace(subject.skinOffset) },
        { name: 'Planned placement', value: printStops(placement) },
        { name: `Skin zebra, ${subject.name}`, value: `${printZebraOrInstead(skin[0].zebra)} %` },
      ],
      ...exposeMade(
        making,
        scene,
        {
          luminance: face.keyLuminance,
          stops,
          ask: 'face',
          label: `${subject.name}’s key side, stops over grey`,
        },
        { aids: ['picture', 'zebraSkin'] },
      ),
    };
  },
  explain: (task) => ({
    because: said(
      `${turnWords(task)} The planned placement and the skin’s own distance from grey add up to`,
      'where the key side belongs.',
    ),
    careful: 'Looks at the key side only, and lets the shadow side be as dark as the light makes it.',
    schools:
      'One number for every face puts darker skin too high and lighter skin too low; an offset per person does not.',
  }),
};
