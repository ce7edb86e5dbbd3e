'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { logLabel } from '#store/book.ts';
import { failureWords } from '#store/words.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { room } from '../bench/room.ts';
import { useBench, useCard, useMuted, useSelection } from '../bench/hooks.ts';

const loadLogTake = () => import('../bench/logTake.ts');

/** What was just done, and the step of undo that takes it back. */
export type Said = { readonly text: string; readonly undoes?: string };

/** Logs a take and says so; a second press while the first is written does nothing. */
export const useLogTake = () => {
  const services = useBench();
  const selection = useSelection();
  const card = useCard();
  const [muted] = useMuted();
  const [said, setSaid] = useState<Said>();
  const busy = useRef(false);
  useWhenIdle(loadLogTake);
  const latest = useRef({ selection, card, muted });
  useEffect(() => {
    latest.current = { selection, card, muted };
  }, [selection, card, muted]);
  const log = useCallback(async () => {
    if (busy.current || room.getState().room) return;
    busy.current = true;
    try {
      const { logTake } = await loadLogTake();
      const take = await logTake(services, { ...latest.current, now: new Date(), id: crypto.randomUUID() });
      if (take) {
        const what = take.measured ? take.measured.file : 'the card alone, no frame measured';
        setSaid({
          text: `Take ${take.number} logged: ${take.card.setupName}, ${take.card.cameraName}, ${what}.`,
          undoes: logLabel(take.number),
        });
      }
    } catch (error) {
      setSaid({ text: `No take was logged: ${failureWords(error)}. Press L again.` });
    } finally {
      busy.current = false;
    }
  }, [services]);
  return { log, said, hush: () => setSaid(undefined) };
};
