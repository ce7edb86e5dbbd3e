'use client';

import { useCallback, useRef, useState } from 'react';
import { useBench } from '../bench/BenchProvider.tsx';
import { logTake } from '../bench/logTake.ts';

/** Logs a take and says so; a second press while the first is written does nothing. */
export const useLogTake = () => {
  const bench = useBench();
  const [said, setSaid] = useState<string>();
  const busy = useRef(false);
  const log = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const take = await logTake(bench, new Date(), crypto.randomUUID());
      if (take) {
        const what = take.measured ? take.measured.file : 'the card alone, no frame open';
        setSaid(`Take ${take.number} logged: ${take.card.setupName}, ${take.card.cameraName}, ${what}.`);
      }
    } finally {
      busy.current = false;
    }
  }, [bench]);
  return { log, said, hush: () => setSaid(undefined) };
};
