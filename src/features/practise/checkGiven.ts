import { peopleIn } from '#core/practice/stageTask.ts';
import type { PracticeWorld } from '#core/practice/world.ts';
import { profileOf } from '#core/practice/world.ts';
import type { BookRecords } from '#store/book.ts';
import { planId } from '#store/records/plan.ts';
import type { Given } from './usePractice.ts';

/**
 * What the tasks of a check before a shoot are drawn from, one after the other: its set-ups in their order, each with
 * each of its cameras in the planned profile, before the set-up's own scene where the stage has one. Empty where the
 * shoot has no camera.
 */
export const checkGivens = (records: BookRecords, shootId: string, world: PracticeWorld): readonly Given[] =>
  [...records.setups.values()]
    .filter((setup) => setup.shootId === shootId)
    .sort((a, b) => a.order - b.order)
    .flatMap((setup) =>
      setup.cameraIds.flatMap((cameraId): Given[] => {
        const camera = world.cameras.find(({ id }) => id === cameraId);
        if (!camera) return [];
        const planned = records.plans.get(planId(setup.id, cameraId))?.profileId ?? '';
        const scenes = world.scenes.filter(({ setupId }) => setupId === setup.id);
        // Some tasks are about a face.
        const own = peopleIn({ ...world, scenes }).length > 0 ? scenes : [];
        return [
          {
            world: own.length > 0 ? { ...world, scenes: own } : world,
            camera,
            profileId: profileOf(camera, planned).id,
          },
        ];
      }),
    );
