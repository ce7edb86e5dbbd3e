import { gone, turned, type Owned } from './owned.ts';

/** A camera with its plans. Takes and clips stay in the log: what they were shot by stands on them. */
export const cameras: Owned<'cameras'> = {
  table: 'cameras',
  nameOf: ({ name }) => name,
  renamed: (camera, name) => ({ ...camera, name }),
  removal: (book, camera) => [
    ...gone('cameras', [camera]),
    ...gone(
      'plans',
      [...book.plans.values()].filter(({ cameraId }) => cameraId === camera.id),
    ),
    ...gone(
      'cameraClocks',
      [...book.cameraClocks.values()].filter(({ cameraId }) => cameraId === camera.id),
    ),
    ...turned(
      'setups',
      [...book.setups.values()].filter(({ cameraIds }) => cameraIds.includes(camera.id)),
      (setup) => ({ ...setup, cameraIds: setup.cameraIds.filter((one) => one !== camera.id) }),
    ),
    ...turned(
      'ndSets',
      [...book.ndSets.values()].filter(({ fits }) => fits === camera.id),
      ({ fits: _, ...set }) => set,
    ),
  ],
  without: 'will go on without it',
};
