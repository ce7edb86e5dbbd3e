import { safeName } from '#core/formats/safeName.ts';
import { words } from '#ui/wording/bundle.ts';
import type { BundleOf, BundlePart } from './parts.ts';

/** The stills that were kept, as recorded and graded. */
export const stillFiles = ({ stills = [], part }: BundleOf): BundlePart => ({
  files: stills
    .filter(({ setupId, cameraId }) => part?.plays.has(`${setupId}:${cameraId}`) ?? true)
    .flatMap(({ name, asShot, graded }) => [
      {
        path: `stills/${safeName(name)}, as recorded.png`,
        says: words.asRecordedSays(name),
        bytes: async () => asShot,
      },
      {
        path: `stills/${safeName(name)}, graded.png`,
        says: words.stillSays(name),
        bytes: async () => graded,
      },
    ]),
  leftOut: [],
});
