'use client';

import { useBench, useCard } from '../bench/hooks.ts';
import type { LutSource } from './lutSource.ts';
import { useAnswer } from '../bench/useAnswer.ts';

/** What a LUT loses at each usual size; the last figures stay, marked as old, while new ones are worked out. */
export const useLosses = (source: LutSource | undefined) => {
  const { luts } = useBench();
  const { profile, floorStops, clipStops } = useCard().numbers;
  const { spec, output, scale, coding } = source ?? {};
  const usable = [profile.signalAt(floorStops), profile.signalAt(clipStops)] as const;
  const input = spec && output && scale && coding && { spec, output, scale, coding, usable };
  const { answer, old, problem } = useAnswer({
    key: input,
    ask: async (signal) => (input ? luts.losses(input, { signal }) : { state: 'cancelled' }),
  });
  return { losses: answer, old, problem };
};
