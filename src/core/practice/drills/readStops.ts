import { said } from '../../said.ts';
import { castInMired } from '../../colour/balance.ts';
import { castEffect, printNeutral } from '../../verdict/castEffect.ts';
import { printStops, printStopsDecimal } from '../../units.ts';
import { pick, whole } from '../random.ts';
import { cardAim, dialled, peopleIn, scenesWith, standings, standsWith } from '../stageTask.ts';
import type { Aid, Drill, Level, NumberAsk } from '../types.ts';
import { cardIn, faceIn, recordedAt } from '../world.ts';

const AIDS: Readonly<Record<Level, Aid>> = { 1: 'waveform', 2: 'falseColour', 3: 'waveform' };
const TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 2, 3: 1 / 3 };

/** The camera stands still: say how far over grey a face lies. */
export const readStops: Drill = {
  id: 'read-stops',
  name: 'Read stops off a scope',
  says: 'How far over grey is this face? Read it, do not guess it.',
  skill: 'reading',
  needs: 'faces',
  make: (making) => {
    const { random, world, level, camera } = making;
    const subject = pick(random, peopleIn(world));
    const scene = pick(random, scenesWith(world.scenes, subject.id));
    const face = faceIn(scene, subject.id)!;
    const kelvin = dialled(cardIn(scene)?.illuminant?.kelvin ?? 5600, camera);
    // Between a stop and a half under grey and two over it: where faces are read on a job.
    const inReach = standings(making, face.keyLuminance, kelvin).filter(
      ({ stops }) => stops > -1.5 && stops < 2,
    );
    const { standing, stops } = pick(
      random,
      inReach.length > 0 ? inReach : standings(making, face.keyLuminance, kelvin),
    );
    const ask: NumberAsk = {
      id: 'stops',
      kind: 'number',
      label: `${subject.name}’s key side, stops over grey`,
      unit: 'stops',
      by: 'typing',
      truth: [stops, stops],
      tolerance: TOLERANCE[level],
      within: [-8, 8],
      step: 1 / 3,
    };
    return {
      placement: recordedAt(cardAim(scene, 0).luminance, standing, world.fps),
      subject,
      text: said(
        `${scene.name}, ${standsWith(making)}. The camera stays as it is.`,
        `How far over grey does the key side of ${subject.name}’s face lie?`,
      ),
      facts: [{ name: 'Look at', value: level === 2 ? 'false colour by stops' : 'the waveform' }],
      stage: {
        scene,
        aids: ['picture', AIDS[level]],
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
    const truth = ask.kind === 'number' ? ask.truth[0] : 0;
    return {
      because: said(
        'The light on the face, through this camera as it stands, lies',
        `${printStopsDecimal(truth)} over grey: that is ${printStops(truth)} in thirds.`,
      ),
      careful:
        'Looks for the brightest large patch of the face, not at a shine on the nose, and reads its middle.',
    };
  },
};

/** Mired that the dial is off. */
const CAST: Readonly<Record<Level, readonly [number, number]>> = { 1: [50, 110], 2: [30, 90], 3: [20, 70] };

/** A neutral on the vectorscope: which way is the balance off, and by how much. */
export const readCast: Drill = {
  id: 'read-cast',
  name: 'Read a cast off the vectorscope',
  says: 'The card is not in the middle. Which way, and how far?',
  skill: 'reading',
  make: (making) => {
    const { random, world, level, camera } = making;
    const scene = pick(random, scenesWith(world.scenes));
    const light = cardIn(scene)?.illuminant?.kelvin ?? 5600;
    const lean = camera.lean?.mired ?? 0;
    const size = whole(random, ...CAST[level]);
    const sign = random() < 0.5 ? -1 : 1;
    // The picture is warm where the camera takes a bluer light for white than there is.
    const castAt = (dial: number) => castInMired({ kelvin: light }, dial, lean);
    const dialFor = (mired: number) => dialled(1e6 / Math.max(1, 1e6 / light + lean - mired), camera);
    // Where the dial ends before that, it is the other way.
    const asked = dialFor(sign * size);
    const kelvin = Math.abs(castAt(asked) - sign * size) < 10 ? asked : dialFor(-sign * size);
    const cast = castAt(kelvin);
    const aim = cardAim(scene, 0);
    const near = [...standings(making, aim.luminance, kelvin)].sort(
      (a, b) => Math.abs(a.stops) - Math.abs(b.stops),
    )[0];
    const miredAsk: NumberAsk = {
      id: 'mired',
      kind: 'number',
      label: 'How far off, mired (warm +, cold −)',
      unit: 'mired',
      by: 'typing',
      truth: [cast, cast],
      tolerance: { 1: 40, 2: 30, 3: 20 }[level],
      within: [-250, 250],
      step: 5,
    };
    return {
      placement: 0,
      text: said(
        `${scene.name}, ${standsWith(making)}, dialled to ${kelvin} K.`,
        'Where does the grey card lie on the vectorscope, and what does that say?',
      ),
      facts: [
        { name: 'A cold cast of 50 mired', value: neutralWords(light, 50) },
        { name: 'A cold cast of 100 mired', value: neutralWords(light, 100) },
      ],
      stage: {
        scene,
        aids: ['picture', 'vectorscope'],
        start: near.standing,
        free: [],
        screenStops: 0,
        fps: world.fps,
      },
      asks: [
        {
          id: 'way',
          kind: 'choice',
          label: 'Which way',
          options: [
            { id: 'warm', says: 'The picture is warm' },
            { id: 'cold', says: 'The picture is cold' },
          ],
          right: [cast > 0 ? 'warm' : 'cold'],
        },
        ...(level === 1 ? [] : [miredAsk]),
      ],
    };
  },
  explain: (task) => ({
    because: said(
      'The light on the card is',
      `${Math.round(cardIn(task.stage!.scene)?.illuminant?.kelvin ?? 0)} K and the camera is`,
      `dialled to ${task.stage!.start.kelvin}`,
      `K${task.camera.lean ? `, with its own lean of ${task.camera.lean.mired} mired` : ''}:`,
      'the card leaves the middle towards',
      `${task.stage!.start.kelvin > (cardIn(task.stage!.scene)?.illuminant?.kelvin ?? 0) ? 'orange' : 'blue'}.`,
    ),
    careful: 'Looks at a neutral alone, magnified, and knows which way orange lies before reading how far.',
  }),
};

const neutralWords = (light: number, mired: number): string => {
  const effect = castEffect({ kelvin: light, duv: 0 }, { kelvin: 1e6 / (1e6 / light + mired), duv: 0 });
  return `red and blue against green ${printNeutral(effect)} stops`;
};
