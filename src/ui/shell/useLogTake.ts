'use client';

import { useCallback, useRef, useState } from 'react';
import { useBench } from '../bench/BenchProvider.tsx';
import { logLabel, logTake } from '../bench/logTake.ts';

/** What was just done, and the step of undo that takes it back. */
export type Said = { readonly text: string; readonly undoes: string };

/** Logs a take and says so; a second press while the first is written does nothing. */
export const useLogTake = () => {
  const bench = useBench();
  const [said, setSaid] = useState<Said>();
  const busy = useRef(false);
  const log = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const take = await logTake(bench, new Date(), crypto.randomUUID());
      if (take) {
        const what = take.measured ? take.measured.file : 'the card alone, no frame open';
        setSaid({
          text: `Take ${take.number} logged: ${take.card.setupName}, ${take.card.cameraName}, ${what}.`,
          undoes: logLabel(take.number),
        });
      }
    } finally {
      busy.current = false;
    }
  }, [bench]);
  return { log, said, hush: () => setSaid(undefined) };
};
