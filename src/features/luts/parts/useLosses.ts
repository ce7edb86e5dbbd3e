'use client';

import { useEffect, useState } from 'react';
import type { Losses } from '#workers/luts/protocol.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import type { LutSource } from '../lutModel.ts';

/** What a LUT loses at each usual size; the last figures stay, marked as old, while new ones are worked out. */
export const useLosses = (source: LutSource | undefined) => {
  const { luts } = useBench();
  const [found, setFound] = useState<{ readonly key: string; readonly losses: Losses }>();
  const key = source && JSON.stringify([source.wish, source.output, source.scale]);
  useEffect(() => {
    if (!source || key === undefined) return;
    const { wish, output, scale, coding } = source;
    void luts
      .client()
      .call('losses', { wish, output, scale, coding }, { latest: 'losses' })
      .then((outcome) => {
        if (outcome.state === 'done') setFound({ key, losses: outcome.output });
      });
    // The key says all of the source that counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [luts, key]);
  return { losses: found?.losses, old: found?.key !== key };
};
