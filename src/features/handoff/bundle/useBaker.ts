'use client';

import { failure, success, type Result } from '#core/result.ts';
import { useBench } from '#ui/bench/hooks.ts';
import type { LutToBake } from './parts.ts';

/** Writes LUTs by the worker that every LUT is written by. */
export const useBaker = () => {
  const { luts } = useBench();
  return async ({ spec, needs = [], ...how }: LutToBake): Promise<Result<string>> => {
    for (const file of needs) {
      const there = await luts.bring(file);
      if (!there.ok) return there;
    }
    const outcome = await luts.write({
      ...how,
      spec,
      scale: 'signal',
      interpolation: 'tetrahedral',
    });
    if (outcome.state === 'cancelled') return failure('LUT', 'It was stopped.');
    if (outcome.state === 'failed') return failure('LUT', outcome.reason);
    return outcome.output.ok ? success(outcome.output.value.text) : outcome.output;
  };
};
