import { gone, turned, type Owned } from './owned.ts';

/** A camera with its plans. Takes stay in the log: they carry the card they were shot by.  */
export const cameras: Owned<'cameras'> = {
  table: 'cameras',
  nameOf: ({ name }) => name,
  renamed: (camera, name) => ({ ...camera, name }),
  removal: (book, { id }) => [
    ...gone(
      'cameras',
      [...book.cameras.values()].filter((one) => one.id === id),
    ),
    ...gone(
      'plans',
      [...book.plans.values()].filter(({ cameraId }) => cameraId === id),
    ),
    ...turned(
      'setups',
      [...book.setups.values()].filter(({ cameraIds }) => cameraIds.includes(id)),
      (setup) => ({ ...setup, cameraIds: setup.cameraIds.filter((one) => one !== id) }),
    ),
    ...turned(
      'ndSets',
      [...book.ndSets.values()].filter(({ fits }) => fits === id),
      ({ fits: _, ...set }) => set,
    ),
  ],
  without: 'go on without it',
};
