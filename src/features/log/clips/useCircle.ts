'use client';

import { useBench } from '#ui/bench/hooks.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import { circleLabel } from './clipWords.ts';

/** Marks a clip as the one to use, or takes the mark off. */
export const useCircle = () => {
  const { book } = useBench();
  return (clip: ClipRecord) =>
    void book.patch(circleLabel(clip), 'clips', clip.id, { circled: !clip.circled });
};
