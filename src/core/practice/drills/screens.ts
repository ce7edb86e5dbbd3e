import { said } from '../../said.ts';
import { printStops } from '../../units.ts';
import { away, pick } from '../random.ts';
import { cardAim, exposeMade, roomyPlacement, scenesWith, standsWith, turnWords } from '../stageTask.ts';
import type { Drill, Level } from '../types.ts';

export const exposeByWaveform: Drill = {
  id: 'expose-waveform',
  name: 'Expose by the waveform',
  says: 'Find the card in the trace and bring it to its level.',
  skill: 'expose',
  make: (making) => {
    const { random, world } = making;
    const scene = pick(random, scenesWith(world.scenes));
    const placement = roomyPlacement(making);
    return {
      placement,
      text: said(
        `${scene.name}, ${standsWith(making)}. Turn the camera until the grey card lies at`,
        `${printStops(placement)}. Go by the waveform.`,
      ),
      facts: [{ name: 'Grey card at', value: printStops(placement) }],
      ...exposeMade(making, scene, cardAim(scene, placement), { aids: ['picture', 'waveform'] }),
    };
  },
  explain: (task) => ({
    because: said(
      `${turnWords(task)} On the waveform’s stops the card is a short flat line over its place`,
      'in the picture, whatever lies over and under it.',
    ),
    careful:
      'Finds the card’s column first, then its level, and does not follow the brightest part of the trace.',
  }),
};

/** Without its LUT a log picture looks too bright in the shadows and dull: many answer with less light. */
const FLAT = 'the LUT off';

/** How far the screen is off, stops. */
const SCREEN_OFF: Readonly<Record<Level, readonly [number, number]>> = {
  1: [2, 2],
  2: [1, 2],
  3: [2 / 3, 2],
};

export const screenLies: Drill = {
  id: 'expose-screen',
  name: 'With a screen that lies',
  says: 'The screen is too bright, too dark or without its LUT. The zebra is not.',
  skill: 'expose',
  make: (making) => {
    const { random, world, level } = making;
    const scene = pick(random, scenesWith(world.scenes));
    const placement = roomyPlacement(making);
    const isFlat = random() < 1 / 3;
    const screenStops = isFlat ? 0 : away(random, ...SCREEN_OFF[level]);
    const bright = screenStops > 0 ? 'a screen that is too bright' : 'a screen that is too dark';
    return {
      placement,
      when: isFlat ? FLAT : bright,
      text: said(
        `${scene.name}, ${standsWith(making)}. Turn the camera until the grey card lies at`,
        `${printStops(placement)}.`,
        isFlat ? 'The LUT is off.' : 'Somebody has turned the screen’s brightness.',
      ),
      facts: [{ name: 'Grey card at', value: printStops(placement) }],
      ...exposeMade(making, scene, cardAim(scene, placement), {
        // The higher the level, the more there is to be led astray by.
        aids: level === 1 ? ['picture', 'zebraCard', 'waveform'] : ['picture', 'zebraCard'],
        screenStops,
        isFlat,
      }),
    };
  },
  explain: (task) => ({
    because: task.stage?.isFlat
      ? said(
          `${turnWords(task)} Without its LUT the picture is as it is recorded: grey and flat at any`,
          'exposure. The eye finds nothing in it to hold on to, the zebra reads the same codes as ever.',
        )
      : said(
          `${turnWords(task)} The screen was ${printStops(task.stage?.screenStops ?? 0)} off: who`,
          'sets by eye misses by as much, the other way.',
        ),
    careful:
      'Sets the screen to a known brightness at the start of the day, shades it, and exposes by level.',
    schools:
      'An experienced eye on a calibrated screen in a dark tent is a school too. It ends where the tent ends.',
  }),
};
