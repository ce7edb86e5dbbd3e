'use client';

import { useEffect, useMemo, useState } from 'react';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import type { Through } from '#workers/judge/protocol.ts';
import { useBench } from './BenchProvider.tsx';
import { wishOf } from './lutShelf.ts';

/** What the monitor's picture goes through: what the plan says, the profile's own picture, the opened file, or a LUT by its id. */
export type LutChoice = string;
export const NO_CHOICE = 'auto';

/**
 * The LUT that a choice comes to, once its file is on the worker; undefined for the profile's own picture. A LUT that is gone
 * counts as none.
 */
export const useThrough = (choice: LutChoice, scale: CubeScale = 'signal'): Through | undefined => {
  const { luts, records, selection, bench, session } = useBench();
  const [ready, setReady] = useState<string>();
  const { opened } = bench;
  const lut = choice === NO_CHOICE ? selection.monitors[0]?.lut : records.luts.get(choice);
  useEffect(() => {
    if (!lut || lut.recipe) return undefined;
    let stale = false;
    void luts.bring(lut).then((brought) => {
      if (stale) return;
      if (brought.ok) setReady(lut.id);
      else session.say(lut.name, brought);
    });
    return () => {
      stale = true;
    };
  }, [luts, lut, session]);
  const { coding } = selection.camera;
  return useMemo(() => {
    if (choice === 'opened' && opened)
      return {
        wish: { kind: 'kept', id: opened.id, scale, coding, interpolation: 'tetrahedral' },
        output: 'bt1886',
      };
    if (!lut || (!lut.recipe && ready !== lut.id)) return undefined;
    return { wish: wishOf(lut), output: lut.output };
  }, [choice, opened, scale, coding, lut, ready]);
};
