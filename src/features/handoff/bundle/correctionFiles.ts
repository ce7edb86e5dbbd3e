import { writeCc, writeCcc } from '#core/formats/cdl.ts';
import { words } from '#ui/wording/bundle.ts';
import type { BundledClip } from './clipFacts.ts';
import type { BundlePart } from './parts.ts';

/** Accepted corrections: one collection, and a file a clip named after it. */
export const correctionFiles = (clips: readonly BundledClip[]): BundlePart => {
  const named = clips.flatMap(({ correction }) => correction?.named ?? []);
  return {
    files:
      named.length === 0
        ? []
        : [
            { path: 'corrections/all-clips.ccc', says: words.cccSays, text: writeCcc(named) },
            ...named.map((one) => ({
              path: `corrections/${one.id}.cc`,
              says: words.ccSays(one.id),
              text: writeCc(one),
            })),
          ],
    leftOut: clips.flatMap(({ problem }) => problem ?? []),
  };
};
