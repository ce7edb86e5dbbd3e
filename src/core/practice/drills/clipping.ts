import { said } from '../../said.ts';
import { balancedWhite } from '../../sensor/camera.ts';
import { printStops, printStopsDecimal } from '../../units.ts';
import { pick } from '../random.ts';
import { cardAim, dialled, scenesWith, standings, standsWith } from '../stageTask.ts';
import type { TruthObject } from '../../scene/truth.ts';
import type { Drill } from '../types.ts';
import { cardIn, cardOf, recordedAt } from '../world.ts';

/** Stops over grey of the brightest channel of a thing, in the balanced light. */
const brightestChannel = (
  { light, luminance }: Pick<TruthObject, 'light' | 'luminance'>,
  kelvin: number,
  recorded: number,
): { readonly channel: number; readonly stops: number } => {
  const white = balancedWhite({ kelvin, tint: 0 });
  const each = light.map((value, c) => value / white[c] / luminance);
  const most = Math.max(...each);
  return { channel: each.indexOf(most), stops: recorded + Math.log2(most) };
};

const CHANNELS = ['red', 'green', 'blue'] as const;
/** Tones nearer to clip than this are not asked about: nobody could tell. */
const CLEAR = 0.25;

/** Which things of the picture are over clip, and whether anybody will miss them. */
export const clipping: Drill = {
  id: 'what-clips',
  name: 'What clips, and does it matter?',
  says: 'Tell a lamp that may clip from a face that may not.',
  skill: 'range',
  make: (making) => {
    const { random, world, camera, profileId, level } = making;
    const scene = pick(random, scenesWith(world.scenes));
    const kelvin = dialled(cardIn(scene)?.illuminant?.kelvin ?? 5600, camera);
    const { clipStops } = cardOf(world, camera, profileId, 0);
    const kinds = level === 1 ? ['light', 'skin', 'white'] : ['light', 'skin', 'white', 'thing'];
    const things = scene.truth.objects
      .filter(({ kind, luminance }) => kinds.includes(kind) && luminance > 0)
      .sort((a, b) => b.luminance - a.luminance)
      .slice(0, level + 2);
    const card = cardAim(scene, 0).luminance;
    const placed = standings(making, card, kelvin).map(({ standing }) => {
      const all = things.map((thing) => {
        const recorded = recordedAt(thing.luminance, standing, world.fps);
        return { thing, ...brightestChannel(thing, kelvin, recorded) };
      });
      return { standing, all, clear: all.every(({ stops }) => Math.abs(stops - clipStops) > CLEAR) };
    });
    const usable = placed.filter(
      ({ standing, clear }) => clear && Math.abs(recordedAt(card, standing, world.fps) - 1) < 3,
    );
    const { standing, all } = pick(random, usable.length > 0 ? usable : placed);
    const over = all.filter(({ stops }) => stops > clipStops);
    const matters = over.some(({ thing }) => thing.kind !== 'light');
    return {
      placement: recordedAt(card, standing, world.fps),
      text: said(
        `${scene.name}, ${standsWith(making)}, clip at ${printStops(clipStops)}.`,
        'What has no tone left in at least one channel?',
      ),
      facts: all.map(({ thing, stops, channel }) => ({
        name: thing.name,
        value:
          level === 3
            ? `${printStopsDecimal(recordedAt(thing.luminance, standing, world.fps))} by its luminance`
            : `${CHANNELS[channel]} at ${printStopsDecimal(stops)}`,
      })),
      stage: {
        scene,
        aids: ['picture', 'waveform', 'zebraWarning'],
        start: standing,
        free: [],
        screenStops: 0,
        fps: world.fps,
      },
      asks: [
        {
          id: 'what',
          kind: 'choice',
          label: 'Over clip',
          options: Array.from({ length: all.length + 1 }, (_, count) => ({
            id: String(count),
            says:
              count === 0
                ? 'nothing'
                : [...all]
                    .sort((a, b) => b.stops - a.stops)
                    .slice(0, count)
                    .map(({ thing }) => thing.name)
                    .join(', '),
          })),
          right: [String(over.length)],
        },
        {
          id: 'matters',
          kind: 'choice',
          label: 'Does it matter?',
          options: [
            { id: 'nothing', says: 'Nothing is lost' },
            { id: 'light', says: 'No: what clips gives light itself' },
            { id: 'yes', says: 'Yes: something with a surface has lost it' },
          ],
          right: [over.length === 0 ? 'nothing' : matters ? 'yes' : 'light'],
        },
      ],
    };
  },
  explain: () => ({
    because:
      'A channel clips by itself: a red glow is over clip in red while its luminance still looks safe.',
    careful:
      'Asks what it is before closing down for it: a flame or a lamp may clip, skin, white cloth and sky may not.',
    schools: 'Exposing so that nothing clips costs the faces their place; keeping faces lets the lamp go.',
  }),
};
