'use client';

import { useBench } from '#ui/bench/BenchProvider.tsx';
import type { LutSource } from '../lutModel.ts';
import { useAsked } from '#ui/bench/useAsked.ts';

/** What a LUT loses at each usual size; the last figures stay, marked as old, while new ones are worked out. */
export const useLosses = (source: LutSource | undefined) => {
  const { luts } = useBench();
  const { wish, output, scale, coding } = source ?? {};
  const input = wish && output && scale && coding && { wish, output, scale, coding };
  const { answer, old } = useAsked(input && JSON.stringify(input), async () => {
    if (!input) return { state: 'cancelled' };
    return luts.client().call('losses', input, { latest: 'losses' });
  });
  return { losses: answer, old };
};
