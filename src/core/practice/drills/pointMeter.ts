import { said } from '../../said.ts';
import { printStopsDecimal } from '../../units.ts';
import { stopsAsk } from '../asks.ts';
import { pick } from '../random.ts';
import { dialled, peopleIn, scenesWith, standings, standsWith } from '../stageTask.ts';
import type { Drill, Level, NumberAsk } from '../types.ts';
import { cardIn, faceIn, recordedAt, type PracticeScene } from '../world.ts';

const TOLERANCE: Readonly<Record<Level, number>> = { 1: 2 / 3, 2: 1 / 2, 3: 1 / 3 };
/** A face smaller than this, share of the picture's height: a spot takes in what is around it. */
const LEAST = 0.022;

const isRead = (scene: PracticeScene, subjectId: string): boolean => {
  const { rect } = faceIn(scene, subjectId)!;
  return Math.min(rect.height, (rect.width * 16) / 9) >= LEAST;
};

/** The spot is put on the picture; what it reads there is the answer. */
export const pointMeter: Drill = {
  id: 'point-spot',
  name: 'Where the spot goes',
  says: 'Point the spot meter at the part of a face that is exposed for.',
  skill: 'meter',
  needs: 'faces',
  make: (making) => {
    const { random, world, level, camera } = making;
    const subject = pick(random, peopleIn(world));
    const scenes = scenesWith(world.scenes, subject.id);
    const large = scenes.filter((scene) => isRead(scene, subject.id));
    const scene = pick(random, large.length > 0 ? large : scenes);
    const face = faceIn(scene, subject.id)!;
    const kelvin = dialled(cardIn(scene)?.illuminant?.kelvin ?? 5600, camera);
    const all = standings(making, face.keyLuminance, kelvin);
    // Seen well: neither dark nor near white.
    const near = all.filter(({ stops }) => stops > -0.5 && stops < 1.5);
    const { standing, stops } = pick(random, near.length > 0 ? near : all);
    const truth = stops + camera.meterBias;
    const label = `${subject.name}’s key side by the spot, stops over grey`;
    const ask: NumberAsk = {
      ...stopsAsk('spot', label, truth, TOLERANCE[level]),
      by: 'spot',
      within: [-12, 12],
    };
    return {
      placement: recordedAt(cardIn(scene)?.keyLuminance ?? scene.truth.card, standing, world.fps),
      subject,
      text: said(
        `${scene.name}, ${standsWith(making)}. Put the spot where ${subject.name}’s face is exposed for:`,
        'on its key side. What it reads there is your answer.',
      ),
      facts: [],
      stage: {
        scene,
        aids: ['picture', 'spotMeter'],
        start: standing,
        free: [],
        screenStops: 0,
        fps: world.fps,
      },
      asks: [ask],
    };
  },
  explain: (task) => {
    const [ask] = task.asks;
    return {
      because: said(
        'The key side lies',
        `${ask.kind === 'number' ? printStopsDecimal(ask.truth[0]) : ''} over grey by this meter,`,
        'its own error in it. Hair, a shine, the shadow side and what is behind read something else.',
      ),
      careful: 'Fills the spot with cheek or forehead on the side of the key, away from any shine.',
      schools: said(
        'Some read the shadow side too and expose for what lies between. Candelum marks the key side,',
        'and tells the ratio apart.',
      ),
    };
  },
};
