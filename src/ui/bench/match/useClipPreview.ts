'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import type { Correction } from '#core/correction/operations.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { demoThumbnail } from '#store/demo/thumbnails.ts';
import { useBench } from '../hooks.ts';
import { useCanvas } from '../useAnswer.ts';
import { useMatchBench } from './useMatchBench.ts';

/** A kept picture with a correction on it, painted on a canvas. */
export const useClipPreview = (
  pictureId: string,
  correction: Correction | undefined,
  profile: ProfileData,
  pullStops: number,
) => {
  const { database } = useBench();
  const bench = useMatchBench();
  const record = useLiveQuery(
    async () => ({ row: await database.rows('thumbnails').get(pictureId) }),
    [database, pictureId],
  );
  const ask = useMemo(() => {
    const shipped = demoThumbnail(pictureId);
    if (!record || !correction || (!record.row && !shipped)) return undefined;
    return async (signal: AbortSignal) => {
      const png = record.row
        ? new Uint8Array(record.row.png)
        : new Uint8Array(await (await fetch(shipped!, { signal })).arrayBuffer());
      return bench.preview({ png, profile, pullStops, correction }, signal);
    };
  }, [bench, record, pictureId, correction, profile, pullStops]);
  return useCanvas(ask);
};
