'use client';

import { useEffect } from 'react';
import { useBench } from '#ui/bench/hooks.ts';
import type { ChartPoint } from './greyChartModel.ts';

/** Draws a LUT’s curve across the ladder as long as it is on this screen. */
export const useLaid = (name: string, points: readonly ChartPoint[] | undefined) => {
  const { session } = useBench();
  useEffect(() => {
    if (!points) return undefined;
    session.luts.lay({
      name,
      points: points.map(({ stops, percent }) => [stops, Math.min(1, Math.max(0, percent / 100))] as const),
    });
    return () => session.luts.lay(undefined);
  }, [session, name, points]);
};
