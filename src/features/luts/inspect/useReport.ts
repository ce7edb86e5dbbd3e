'use client';

import type { LutReport } from '#core/lut/inspect.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import type { LutSource } from '#ui/luts/lutSource.ts';
import { useAnswer, type Answer } from '#ui/bench/useAnswer.ts';

/** What is said of a LUT; the last report stays while a new one is worked out. */
export const useReport = (source: LutSource | undefined): Answer<LutReport> => {
  const { luts } = useBench();
  const selection = useSelection();
  const { profile, plan, subjects } = selection;
  const input = source && {
    spec: source.spec,
    output: source.output,
    scale: source.scale,
    coding: source.coding,
    interpolation: 'tetrahedral' as const,
    profile: profile.data,
    placement: plan.placement,
    tones: [
      { name: 'card', over: 0 },
      ...subjects.map(({ name, skinOffset }) => ({ name, over: skinOffset })),
    ],
  };
  return useAnswer({
    key: input,
    ask: async (signal) => (input ? luts.inspect(input, { signal }) : { state: 'cancelled' }),
  });
};
