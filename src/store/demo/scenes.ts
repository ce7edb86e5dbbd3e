import type { SetupRecord } from '../records/setup.ts';

/** A scene that can be stood before: its files, and the set-up of the demo it belongs to. */
type StageScene = {
  readonly name: string;
  readonly setupId: string;
  /** Cameras that look at it; without them all of the set-up. */
  readonly cameraIds?: readonly string[];
  readonly layers: number;
  readonly walk?: true;
};

/** The scenes of the stage. A further one is a row and the files that `npm run scenes` makes. */
export const STAGE_SCENES = {
  'furnace-mouth': {
    name: 'Furnace mouth',
    setupId: 'furnace-mouth',
    layers: 1,
  },
  'bench-interview': {
    name: 'Bench interview',
    setupId: 'bench-interview',
    layers: 1,
  },
  'packing-yard': {
    name: 'Packing yard, sun and cloud',
    setupId: 'packing-yard',
    layers: 2,
  },
  'yard-walk': {
    name: 'Packing yard, a walk',
    setupId: 'packing-yard',
    layers: 1,
    walk: true,
  },
  dunes: {
    name: 'Dunes, sun and cloud',
    setupId: 'dunes',
    layers: 2,
  },
  slipway: {
    name: 'Slipway',
    setupId: 'slipway',
    layers: 1,
  },
  'hall-wide': {
    name: 'Hall, wide',
    setupId: 'open-evening',
    cameraIds: ['hall-1'],
    layers: 3,
  },
  'hall-speaker': {
    name: 'Hall, speaker',
    setupId: 'open-evening',
    cameraIds: ['hall-2'],
    layers: 3,
  },
  'lantern-quay': {
    name: 'Lantern quay',
    setupId: 'lantern-quay',
    layers: 1,
  },
} as const satisfies Record<string, StageScene>;
export type StageSceneId = keyof typeof STAGE_SCENES;
export const STAGE_SCENE_IDS = Object.keys(STAGE_SCENES) as StageSceneId[];
export const stageScene = (id: StageSceneId): StageScene => STAGE_SCENES[id];

/** The light of the set-up's own survey as a scene: no files, it is worked out. */
export const OF_SPOTS = 'of-spots';
/** What can stand before a camera. */
export type StandingId = StageSceneId | typeof OF_SPOTS;

export const standingName = (id: StandingId): string =>
  id === OF_SPOTS ? 'Survey light' : stageScene(id).name;

const isStanding = (id: string | undefined): id is StandingId =>
  id === OF_SPOTS || (id !== undefined && Object.hasOwn(STAGE_SCENES, id));

/** What a set-up's camera stands before: what was chosen there, else the scene that was made for it. */
export const standingOf = (
  { id, scene }: Pick<SetupRecord, 'id' | 'scene'>,
  cameraId: string,
): StandingId | undefined => (isStanding(scene) ? scene : sceneFor(id, cameraId));

/** The first scene that was made for a set-up's camera; undefined where none was. */
export const sceneFor = (setupId: string, cameraId: string): StageSceneId | undefined => {
  const here = STAGE_SCENE_IDS.filter((id) => stageScene(id).setupId === setupId);
  return here.find((id) => sceneFits(id, setupId, cameraId)) ?? here[0];
};

/** Whether a scene is one that this set-up's camera looks at. */
export const sceneFits = (id: StageSceneId, setupId: string, cameraId: string): boolean => {
  const scene = stageScene(id);
  return scene.setupId === setupId && (scene.cameraIds?.includes(cameraId) ?? true);
};

/** Where a scene's files lie under the app's address. */
export const sceneFiles = (id: StageSceneId) => {
  const { layers, walk } = stageScene(id);
  const dir = `/scenes/${id}`;
  return {
    truth: `${dir}/truth.json`,
    light: Array.from({ length: layers }, (_, n) => `${dir}/light-${n + 1}.png`),
    mask: `${dir}/mask.png`,
    walk: walk ? `${dir}/walk.png` : undefined,
  };
};
