import { shutterSeconds } from '#core/exposure/shutter.ts';
import { toldSteps } from '#core/practice/drills/ownBracket.ts';
import type { Need } from '#core/practice/types.ts';
import { reflectanceToStops } from '#core/units.ts';
import { readTruth } from '#core/scene/truth.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type {
  PracticeBracket,
  PracticeCamera,
  PracticeScene,
  PracticeTake,
  PracticeWorld,
} from '#core/practice/world.ts';
import type { BookRecords } from '#store/book.ts';
import { sceneFiles, stageScene, STAGE_SCENE_IDS, type StageSceneId } from '#store/demo/scenes.ts';
import { shuttersOf, type CameraRecord } from '#store/records/camera.ts';
import { irisesOf } from '#ui/stage/stageModel.ts';

/** Frame rate of all of it. */
const FPS = 25;
/** Everybody who stands in the scenes of the stage, as they were painted. Ours, invented. */
const SUBJECTS = [
  { id: 'ana', name: 'Ana', skinOffset: 1.2 },
  { id: 'ola', name: 'Ola', skinOffset: 0.2 },
] as const;

/** What somebody in the scenes is called, where the shoot does not say so itself. */
export const faceName = (id: string): string => SUBJECTS.find((one) => one.id === id)?.name ?? id;

/** Scenes that stand still: a walk is nothing to be exposed at leisure. */
const STILL = STAGE_SCENE_IDS.filter((id) => sceneFiles(id).walk === undefined);

const sceneOf = async (id: StageSceneId): Promise<PracticeScene> => {
  const { name, setupId } = stageScene(id);
  const answer = await fetch(sceneFiles(id).truth);
  const truth = readTruth(await answer.text());
  if (!truth.ok) throw new Error(truth.reason);
  return { id, name, setupId, truth: truth.value };
};

let scenes: Promise<readonly PracticeScene[]> | undefined;
/** The scenes with what is known of them, fetched once. What failed is tried again the next time. */
export const practiceScenes = (): Promise<readonly PracticeScene[]> => {
  scenes ??= Promise.all(STILL.map(sceneOf)).catch((error: unknown) => {
    scenes = undefined;
    throw error;
  });
  return scenes;
};

/** The shutter of the dial that lies nearest to half the time of a frame. */
const halfShutter = (camera: CameraRecord) =>
  shuttersOf(camera).reduce((best, one) => {
    const far = (shutter: typeof one) => Math.abs(Math.log2(shutterSeconds(shutter, FPS) * 2 * FPS));
    return far(one) < far(best) ? one : best;
  });

const practiceCamera = (camera: CameraRecord, records: BookRecords): PracticeCamera => ({
  id: camera.id,
  name: camera.name,
  coding: camera.coding,
  baseIsos: camera.baseIsos,
  isos: camera.isos,
  sensitivity: camera.sensitivity,
  zebra: camera.zebra,
  floorStops: camera.floorStops,
  irises: irisesOf(camera),
  shutter: halfShutter(camera),
  kelvinStep: camera.kelvinStep,
  kelvinRange: camera.kelvinRange,
  ...(camera.lean ? { lean: { mired: camera.lean.mired, tint: camera.lean.tint } } : {}),
  meterBias: camera.meter.bias,
  profiles: camera.profileIds.flatMap((id) => {
    const profile = records.profiles.get(id);
    return profile ? [{ id, name: profile.name, data: profile.data }] : [];
  }),
});

/** Takes whose card or faces were marked. */
const takesWithMarks = (takes: readonly TakeRecord[]): PracticeTake[] =>
  takes
    .map(({ id, number, card, measured }) => ({
      id,
      number,
      setupName: card.setupName,
      cameraName: card.cameraName,
      profileName: card.profileName,
      placement: card.placement,
      marks: (measured?.patches ?? []).flatMap(({ name, kind, stops }) =>
        (kind === 'card' || kind === 'skin') && Number.isFinite(stops) ? [{ name, kind, stops }] : [],
      ),
    }))
    .filter(({ marks }) => marks.length > 0);

/** The brackets that profiles rest on. */
export const filmedBrackets = (records: Pick<BookRecords, 'profiles'>): PracticeBracket[] =>
  [...records.profiles.values()]
    .flatMap(({ id, name, evidence = [] }) =>
      evidence
        .filter(({ kind, muted }) => kind === 'bracket' && muted !== true)
        .map(({ readings }) => ({
          profileId: id,
          profileName: name,
          steps: readings
            .filter(({ reflectance }) => reflectance > 0)
            .map(({ reflectance, signal }) => ({ stops: reflectanceToStops(reflectance), signal }))
            .sort((a, b) => a.stops - b.stops),
        })),
    )
    .filter((bracket) => toldSteps(bracket).length > 0);

/** What there is of one's own to make drills from; faces stand in the scenes of the stage. */
export const needsMet = (records: Pick<BookRecords, 'profiles'>, takes: readonly TakeRecord[]): Need[] => [
  'faces',
  ...(takesWithMarks(takes).length > 0 ? (['takes'] as const) : []),
  ...(filmedBrackets(records).length > 0 ? (['bracket'] as const) : []),
];

/** What tasks are drawn from: the cameras of the kit that have a profile, and the scenes of the stage. */
export const practiceWorld = (
  records: BookRecords,
  found: readonly PracticeScene[],
  takes: readonly TakeRecord[] = [],
): PracticeWorld => ({
  takes: takesWithMarks(takes),
  brackets: filmedBrackets(records),
  cameras: [...records.cameras.values()]
    .map((camera) => practiceCamera(camera, records))
    .filter(({ profiles }) => profiles.length > 0),
  scenes: found,
  subjects: SUBJECTS,
  fps: FPS,
});
