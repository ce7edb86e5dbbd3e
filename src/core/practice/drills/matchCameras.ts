import { castInMired } from '../../colour/balance.ts';
import { deltaE2000 } from '../../colour/lab.ts';
import { labOfLight } from '../../match/patches.ts';
import { MATCH_LIMITS, matchVerdict } from '../../match/verdict.ts';
import type { Triple } from '../../maths/matrix.ts';
import { LUMA } from '../../signal/luma.ts';
import { castEffect } from '../../verdict/castEffect.ts';
import { printStops } from '../../units.ts';
import { percent } from '../asks.ts';
import { away, pick, whole } from '../random.ts';
import { said } from '../../said.ts';
import {
  cardAim,
  dialled,
  exposeMade,
  roomyPlacement,
  scenesWith,
  standsWith,
  turnWords,
} from '../stageTask.ts';
import type { Drill, Level, NumberAsk } from '../types.ts';
import { cardIn, cardOf, profileOf, type PracticeCamera, type PracticeScene } from '../world.ts';

const MIRED_TOLERANCE: Readonly<Record<Level, number>> = { 1: 20, 2: 15, 3: 10 };
/** How far the second camera's dial stands off, mired; at the first level it is right. */
const DIAL_OFF: Readonly<Record<Level, readonly [number, number]>> = { 1: [0, 0], 2: [40, 90], 3: [25, 60] };
/** A dial that ends nearer to the light than this has it, mired. */
const REACHED = 5;

/** The dial that renders the light on the card neutral, with what the body leans. */
const neutralDial = (scene: PracticeScene, camera: PracticeCamera): number =>
  1e6 / (1e6 / (cardIn(scene)?.illuminant?.kelvin ?? 5600) + (camera.lean?.mired ?? 0));

const reaches = (scene: PracticeScene, camera: PracticeCamera): boolean => {
  const dial = neutralDial(scene, camera);
  return Math.abs(1e6 / dialled(dial, camera) - 1e6 / dial) < REACHED;
};

/** Linear BT.709 of a neutral as bright as grey: so many stops over, with a cast of so many mired. */
const greyWith = (stops: number, light: number, mired: number): Triple => {
  const { red, blue } = castEffect(
    { kelvin: light, duv: 0 },
    { kelvin: 1e6 / Math.max(1, 1e6 / light - mired), duv: 0 },
  );
  const rgb: Triple = [2 ** red, 1, 2 ** blue];
  const { kr, kg, kb } = LUMA.bt709;
  const gain = (0.18 * 2 ** stops) / (kr * rgb[0] + kg * rgb[1] + kb * rgb[2]);
  return [rgb[0] * gain, rgb[1] * gain, rgb[2] * gain];
};

/** What is left between the two on the card, in CIEDE2000: stops off and mired off. */
export const leftOnCard = (stops: number, light: number, mired: number): number => {
  const lab = labOfLight('bt709', 0);
  return deltaE2000(lab(greyWith(stops, light, mired)), lab([0.18, 0.18, 0.18]));
};

const { together, seen } = MATCH_LIMITS;
const VERDICTS = {
  together: 'it cuts together',
  seen: 'it is seen when compared',
  jars: 'it jars',
} as const;

/** Two cameras on one card: turn the second until it is the first. */
export const matchCameras: Drill = {
  id: 'match-b-to-a',
  name: 'Match B to A',
  says: 'Two cameras look at one card. Turn the second until it is the first.',
  skill: 'post',
  make: (making) => {
    const { random, world, level } = making;
    const others = world.cameras.filter(({ id }) => id !== making.camera.id);
    const camera = others.length > 0 ? pick(random, others) : making.camera;
    const profile = pick(random, camera.profiles);
    const scenes = scenesWith(world.scenes);
    const inReach = scenes.filter((scene) => reaches(scene, camera));
    const scene = pick(random, inReach.length > 0 ? inReach : scenes);
    const second = { ...making, camera, profileId: profile.id };
    // Both have to have room for it.
    const placement = Math.min(roomyPlacement(making), roomyPlacement(second));
    const right = neutralDial(scene, camera);
    const off = whole(random, ...DIAL_OFF[level]) * Math.sign(away(random, 1, 1));
    const made = exposeMade(second, scene, cardAim(scene, placement), {
      aids: level === 1 ? ['picture', 'waveform'] : ['picture', 'waveform', 'vectorscope'],
    });
    const start = { ...made.stage!.start, kelvin: dialled(1e6 / Math.max(60, 1e6 / right + off), camera) };
    const dial: NumberAsk = {
      id: 'kelvin',
      kind: 'number',
      label: `${camera.name}’s dial`,
      unit: 'kelvin',
      by: 'camera',
      truth: [right, right],
      tolerance: MIRED_TOLERANCE[level],
      within: [1500, 20_000],
      step: camera.kelvinStep,
    };
    const hero = cardOf(world, making.camera, making.profileId, placement).profile;
    return {
      camera,
      profileId: profile.id,
      placement,
      text: said(
        `${scene.name}. ${standsWith(making)} is the hero: its card is neutral and reads`,
        `${percent(hero.signalAt(placement))}. Turn ${standsWith(second)} until it shows the same card.`,
      ),
      facts: [
        { name: `${making.camera.name}’s card in stops`, value: printStops(placement) },
        { name: `${making.camera.name}’s profile`, value: profileOf(making.camera, making.profileId).name },
      ],
      ...made,
      stage: {
        ...made.stage!,
        start,
        free: level === 1 ? made.stage!.free : [...made.stage!.free, 'kelvin'],
      },
      asks: level === 1 ? made.asks : [...made.asks, dial],
    };
  },
  comesTo: (task, { card, kelvin }) => {
    const light = cardIn(task.stage!.scene)?.illuminant?.kelvin ?? 5600;
    if (typeof card !== 'number') return undefined;
    const stops = card - task.placement;
    const mired =
      typeof kelvin === 'number' ? castInMired({ kelvin: light }, kelvin, task.camera.lean?.mired ?? 0) : 0;
    const deltaE = leftOnCard(stops, light, mired);
    const verdict = VERDICTS[matchVerdict({ deltaE, stops })];
    return said(
      `Left on the card: ΔE2000 ${deltaE.toFixed(1)}, ${verdict}.`,
      `Up to ${together.deltaE} and ${together.stops.toFixed(2)} stop it cuts together, over ${seen.deltaE} or`,
      `${seen.stops.toFixed(2)} stop it jars.`,
    );
  },
  explain: (task) => ({
    because: said(
      `${turnWords(task)} Per cent of two profiles cannot be compared: turn the hero’s reading into stops, and bring`,
      'the second camera to the same stop of its own profile. The cast goes onto the dial.',
    ),
    careful: 'Matches on a card in one light, before the doors open, and leaves the hero alone.',
    schools: 'Some match in post only. Light that is missing on the second camera is then noise.',
  }),
};
