'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { useBench, type Bench } from '../bench/BenchProvider.tsx';
import { logLabel, logTake } from '../bench/logTake.ts';

/** What was just done, and the step of undo that takes it back. */
export type Said = { readonly text: string; readonly undoes: string };

const WAIT_MS = 50;
const MOST_WAITS = 40;
const pause = () => new Promise<void>((resolve) => setTimeout(resolve, WAIT_MS));
const isUnmeasured = ({ bench: { frame, measurement }, session }: Bench): boolean =>
  frame !== undefined && (measurement === undefined || session.getState().measurement !== measurement);

/** Logs a take and says so; a second press while the first is written does nothing. */
export const useLogTake = () => {
  const bench = useBench();
  const [said, setSaid] = useState<Said>();
  const busy = useRef(false);
  const latest = useRef(bench);
  useEffect(() => {
    latest.current = bench;
  }, [bench]);
  const log = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const now = new Date();
      // A frame that has just come is measured, and shown so, a moment later: its take waits for that.
      for (let waits = 0; waits < MOST_WAITS && isUnmeasured(latest.current); waits += 1) await pause();
      const take = await logTake(latest.current, now, crypto.randomUUID());
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
  }, []);
  return { log, said, hush: () => setSaid(undefined) };
};
