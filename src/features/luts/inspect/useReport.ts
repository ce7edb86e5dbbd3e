'use client';

import type { LutReport } from '#core/lut/inspect.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import type { LutSource } from '../lutModel.ts';
import { useAsked } from '#ui/bench/useAsked.ts';

/** What is said of a LUT; the last report stays while a new one is worked out. */
export const useReport = (source: LutSource | undefined): LutReport | undefined => {
  const { luts, selection } = useBench();
  const { profile, plan, subjects } = selection;
  const input = source && {
    wish: source.wish,
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
  return useAsked(input && JSON.stringify(input), async () => {
    if (!input) return { state: 'cancelled' };
    return luts.client().call('inspect', input, { latest: 'inspect' });
  }).answer;
};
