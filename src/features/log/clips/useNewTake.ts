'use client';

import type { ClipRecord } from '#store/records/clip.ts';
import type { TakeMeasurement } from '#store/records/take.ts';
import { useBench, useCard, useSelection } from '#ui/bench/hooks.ts';
import { takeOf } from '#ui/bench/logTake.ts';

/** What a survey found, as a take keeps it. */
const measuredOf = ({ file, facts, found }: ClipRecord): TakeMeasurement | undefined =>
  facts &&
  found && {
    file: file.name.slice(0, 300),
    size: [facts.size[0], facts.size[1]],
    source: { kind: 'clip', container: facts.container.slice(0, 120), exact: facts.exact },
    cardStops: found.cardStops,
    clippedAll: found.clippedAll,
    clippedSome: found.clippedSome,
    underFloor: found.underFloor,
    distribution: [...found.distribution],
    verdicts: [],
  };

/** Makes a take of a clip that has none, on the set-up that is chosen, and pairs the two. */
export const useNewTake = () => {
  const { book } = useBench();
  const selection = useSelection();
  const { numbers } = useCard();
  return async (clip: ClipRecord): Promise<void> => {
    const at = new Date(clip.facts?.startedAt ?? clip.file.writtenAt);
    const draft = takeOf({ selection, numbers, verdicts: [] }, at, crypto.randomUUID());
    const take = await book.logTake({ ...draft, cameraId: clip.cameraId, measured: measuredOf(clip) });
    if (take)
      await book.patch(`Take of ${clip.file.name.slice(0, 60)}`, 'clips', clip.id, {
        take: { id: take.id, by: 'hand' },
      });
  };
};
