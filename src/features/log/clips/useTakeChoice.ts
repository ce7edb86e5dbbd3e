'use client';

import type { ClipRecord } from '#store/records/clip.ts';
import { useBench } from '#ui/bench/hooks.ts';

/** Says which take a clip is, or that it is none; pairing leaves it so. */
export const useTakeChoice = () => {
  const { book } = useBench();
  return ({ id, file }: ClipRecord, takeId: string | undefined) =>
    book.patch(`Take of ${file.name.slice(0, 60)}`, 'clips', id, { take: { id: takeId, by: 'hand' } });
};
