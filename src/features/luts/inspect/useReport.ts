'use client';

import { useEffect, useState } from 'react';
import type { LutReport } from '#core/lut/inspect.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import type { LutSource } from '../lutModel.ts';

/** What is said of a LUT; the last report stays while a new one is worked out. */
export const useReport = (source: LutSource | undefined): LutReport | undefined => {
  const { luts, selection, session } = useBench();
  const [report, setReport] = useState<LutReport>();
  const { profile, plan, subjects } = selection;
  const tones = [
    { name: 'card', over: 0 },
    ...subjects.map(({ name, skinOffset }) => ({ name, over: skinOffset })),
  ];
  const key =
    source && JSON.stringify([source.wish, source.output, source.scale, profile.data, plan.placement, tones]);
  useEffect(() => {
    if (!source || key === undefined) return;
    const { wish, output, scale, coding } = source;
    void luts
      .client()
      .call(
        'inspect',
        {
          wish,
          output,
          scale,
          coding,
          interpolation: 'tetrahedral',
          profile: profile.data,
          placement: plan.placement,
          tones,
        },
        { latest: 'inspect' },
      )
      .then((outcome) => {
        if (outcome.state === 'done') setReport(outcome.output);
      })
      .catch((error: unknown) =>
        session.say(source.name, {
          ok: false,
          where: 'LUT',
          reason: `It could not be looked through (${error instanceof Error ? error.message : String(error)}): open it again.`,
        }),
      );
    // The key says all that counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [luts, key]);
  return source && report;
};
