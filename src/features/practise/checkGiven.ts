import { peopleIn, scenesWith } from '#core/practice/stageTask.ts';
import type { Drill } from '#core/practice/types.ts';
import { profileOf, type PracticeScene, type PracticeWorld } from '#core/practice/world.ts';
import { sceneOfSpots } from '#core/scene/ofSpots.ts';
import type { BookRecords } from '#store/book.ts';
import { planId } from '#store/records/plan.ts';
import { resolveSelection, type Selection } from '#store/selection.ts';
import { surveyedLight } from '#ui/stage/standing.ts';
import { words } from '#ui/wording/practise.ts';
import type { Given } from './usePractice.ts';

/** The light of a set-up as it was read in Plan, as a scene; undefined where nothing was. */
const surveyedScene = (selection: Selection, records: BookRecords): PracticeScene | undefined => {
  const light = surveyedLight(selection, records);
  if (!light) return undefined;
  const { id, name } = selection.setup;
  return {
    id: `survey-${id}`,
    name: words.asRead(name),
    setupId: id,
    truth: sceneOfSpots(light).truth,
    light,
  };
};

/** What a drill needs of a world to be made in it. */
const holds = (world: PracticeWorld, { needs }: Drill): boolean =>
  needs === 'faces' ? peopleIn(world).length > 0 : scenesWith(world.scenes).length > 0;

/**
 * What the tasks of a check before a shoot are drawn from, one after the other: its set-ups in their order, each with
 * its first camera in the planned profile, then with its second and so on. They stand before the set-up's own scene
 * where the stage has one, else before its light as it was read; before any scene where neither will do for the drill.
 * Empty where the shoot has no camera.
 */
export const checkGivens = (
  records: BookRecords,
  shootId: string,
  world: PracticeWorld,
): readonly ((drill: Drill) => Given)[] => {
  const setups = [...records.setups.values()]
    .filter((setup) => setup.shootId === shootId)
    .sort((a, b) => a.order - b.order);
  const most = Math.max(0, ...setups.map(({ cameraIds }) => cameraIds.length));
  return Array.from({ length: most }, (_, nth) => nth).flatMap((nth) =>
    setups.flatMap((setup) => {
      const cameraId = setup.cameraIds[nth] ?? '';
      const camera = world.cameras.find(({ id }) => id === cameraId);
      if (!camera) return [];
      const planned = records.plans.get(planId(setup.id, cameraId))?.profileId ?? '';
      const profileId = profileOf(camera, planned).id;
      return [
        (drill: Drill): Given => {
          const own = { ...world, scenes: world.scenes.filter(({ setupId }) => setupId === setup.id) };
          if (holds(own, drill)) return { world: own, camera, profileId };
          const selection = resolveSelection(records, { shoot: shootId, setup: setup.id, camera: cameraId });
          const scene = selection && surveyedScene(selection, records);
          const read = scene && { ...world, scenes: [scene], subjects: selection.subjects };
          return { world: read && holds(read, drill) ? read : world, camera, profileId };
        },
      ];
    }),
  );
};
