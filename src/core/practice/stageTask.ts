import type { CardSubject } from '../exposure/setCard.ts';
import { printStops } from '../units.ts';
import { printPlace } from './asks.ts';
import { away, pick } from './random.ts';
import type { Aid, Answers, Knob, Level, Made, Making, NumberAsk, Standing, Task } from './types.ts';
import {
  cardIn,
  cardOf,
  faceIn,
  profileOf,
  recordedAt,
  type PracticeCamera,
  type PracticeScene,
  type PracticeWorld,
} from './world.ts';

/** How far the camera stands off when a task begins, stops. */
const START_OFF: Readonly<Record<Level, readonly [number, number]>> = { 1: [1, 2], 2: [4 / 3, 3], 3: [2, 4] };
/** What thirds of a stop may leave, stops. */
const EDGE = 1 / 6;
/** What is still full marks, stops: a third is what nobody sees in a graded picture, a quarter what thirds leave. */
const EXPOSE_TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 3, 3: 1 / 4 };
/** Whole stops of ND that a matte box holds. */
const ND_STOPS = [0, 1, 2, 3, 4, 5, 6, 7, 8] as const;

/** The knobs that change the exposure of a camera; an exposure index does not. */
export const exposureKnobs = (camera: PracticeCamera): readonly Knob[] => [
  ...(camera.irises.length > 1 ? (['iris'] as const) : []),
  'ndStops',
  ...(camera.sensitivity === 'ei' ? [] : (['iso'] as const)),
];

/** ISOs that are worked with: from the lowest base up; an exposure index changes nothing of the recording. */
const worked = ({ isos, baseIsos, sensitivity }: PracticeCamera): readonly number[] =>
  sensitivity === 'ei' ? baseIsos.slice(0, 1) : isos.filter((iso) => iso >= Math.min(...baseIsos));

/** Every way in which a camera can stand before a scene, with the stops over grey of a luminance. */
export const standings = (
  { world, camera }: Pick<Making, 'world' | 'camera'>,
  luminance: number,
  kelvin: number,
): { readonly standing: Standing; readonly stops: number }[] =>
  camera.irises.flatMap((iris) =>
    worked(camera).flatMap((iso) =>
      ND_STOPS.map((ndStops) => {
        const standing = { iris, shutter: camera.shutter, iso, ndStops, kelvin, tint: 0 };
        return { standing, stops: recordedAt(luminance, standing, world.fps) };
      }),
    ),
  );

/** The nearest value of the camera's dial. */
export const dialled = (kelvin: number, { kelvinStep, kelvinRange: [low, high] }: PracticeCamera): number =>
  Math.min(high, Math.max(low, Math.round(kelvin / kelvinStep) * kelvinStep));

export type Aim = {
  /** Luminance that is placed, cd/m2. */
  readonly luminance: number;
  /** Where it belongs, stops over grey in the recording. */
  readonly stops: number;
  readonly ask: 'card' | 'face';
  readonly label: string;
};

/** Where the camera stands when a task begins: off by as much as the level says, where it can be put right. */
const startFor = (making: Making, aim: Aim, kelvin: number): Standing => {
  const { random, level } = making;
  const [least, most] = START_OFF[level];
  const off = away(random, least, most);
  const all = standings(making, aim.luminance, dialled(kelvin, making.camera));
  const isOff = ({ stops }: { stops: number }) => Math.abs(stops - aim.stops) >= least - EDGE;
  const distance = ({ stops }: { stops: number }) => Math.abs(stops - aim.stops - off);
  const usable = all.filter(isOff);
  const best = Math.min(...usable.map(distance));
  const near = usable.filter((one) => distance(one) <= best + 1 / 3);
  // A base ISO where it will do, as on a job.
  const atBase = near.filter(({ standing }) => making.camera.baseIsos.includes(standing.iso));
  return pick(random, atBase.length > 0 ? atBase : near).standing;
};

/** What the operator sees: the aids, and what is wrong with the screen. */
type Shown = { readonly aids: readonly Aid[]; readonly screenStops?: number; readonly isFlat?: boolean };

/** A scene, a camera that is off, and the wish to have one tone where it belongs. */
export const exposeMade = (
  making: Making,
  scene: PracticeScene,
  aim: Aim,
  { aids, screenStops = 0, isFlat = false }: Shown,
): Pick<Made, 'stage' | 'asks'> => {
  const kelvin = cardIn(scene)?.illuminant?.kelvin ?? 5600;
  const ask: NumberAsk = {
    id: aim.ask,
    kind: 'number',
    label: aim.label,
    unit: 'stops',
    by: 'camera',
    truth: [aim.stops, aim.stops],
    tolerance: EXPOSE_TOLERANCE[making.level],
    within: [-12, 12],
    step: 1 / 3,
  };
  return {
    stage: {
      scene,
      aids,
      start: startFor(making, aim, kelvin),
      free: exposureKnobs(making.camera),
      screenStops,
      ...(isFlat ? { isFlat } : {}),
      fps: making.world.fps,
    },
    asks: [ask],
  };
};

export const cardAim = (scene: PracticeScene, placement: number): Aim => ({
  luminance: cardIn(scene)?.keyLuminance ?? scene.truth.card,
  stops: placement,
  ask: 'card',
  label: 'Grey card, stops over grey',
});

/** Scenes that show a card, and the face of a subject where one is named. */
export const scenesWith = (scenes: readonly PracticeScene[], subjectId?: string): PracticeScene[] =>
  scenes.filter((scene) => cardIn(scene) && (subjectId === undefined || faceIn(scene, subjectId)));

/** Whose faces the scenes show. */
export const peopleIn = ({ scenes, subjects }: Pick<PracticeWorld, 'scenes' | 'subjects'>): CardSubject[] =>
  subjects.filter(({ id }) => scenesWith(scenes, id).length > 0);

/** Placements that a profile of a camera leaves room for: two and a half stops over grey stay under clip. */
export const roomyPlacement = ({ random, world, camera, profileId, level }: Making): number => {
  const { clipStops } = cardOf(world, camera, profileId, 0);
  const most = Math.max(0, Math.min(1.7, clipStops - 2.5));
  return level === 1 ? 0 : Math.floor(random() * (Math.floor(most * 3) + 1)) / 3;
};

export const standsWith = ({ camera, profileId }: Pick<Task, 'camera' | 'profileId'>): string =>
  `${camera.name} in ${profileOf(camera, profileId).name}`;

/** What the camera as it stands comes to, for the answers that are read off it. */
export const readCamera = (task: Task, standing: Standing): Answers => {
  const { stage } = task;
  if (!stage) return {};
  const card = cardIn(stage.scene);
  const face = task.subject && faceIn(stage.scene, task.subject.id);
  // What an exposure index is set to changes nothing of the recording.
  const iso = task.camera.sensitivity === 'ei' ? stage.start.iso : standing.iso;
  const at = (luminance: number) => recordedAt(luminance, { ...standing, iso }, stage.fps);
  const read: Record<string, number> = { kelvin: standing.kelvin };
  if (card) read.card = at(card.keyLuminance);
  if (face) read.face = at(face.keyLuminance);
  return Object.fromEntries(
    task.asks
      .filter((ask) => ask.kind === 'number' && ask.by === 'camera')
      .flatMap(({ id }) => (read[id] === undefined ? [] : [[id, read[id]]])),
  );
};

/** What the spot reads where it was put, for the answers that are given so. */
export const readSpot = (task: Task, shows: number | undefined): Answers =>
  shows === undefined
    ? {}
    : Object.fromEntries(
        task.asks.filter((ask) => ask.kind === 'number' && ask.by === 'spot').map(({ id }) => [id, shows]),
      );

/** What it takes to put a tone where it belongs from where the camera began, in the field's words. */
export const turnWords = (task: Task): string => {
  const ask = task.asks.find((one) => one.kind === 'number' && one.by === 'camera');
  if (ask?.kind !== 'number' || !task.stage) return '';
  const began = readCamera(task, task.stage.start)[ask.id];
  if (typeof began !== 'number') return '';
  const off = ask.truth[0] - began;
  const size = printStops(Math.abs(off)).replace('+', '');
  const light = `${size} ${Math.abs(off) > 1 ? 'stops' : 'stop'} ${off > 0 ? 'more' : 'less'} light`;
  return `It began at ${printPlace(began)} and belongs at ${printPlace(ask.truth[0])}: ${light}.`;
};
