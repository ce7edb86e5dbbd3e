'use client';

import { useEffect, useRef } from 'react';
import { useWhenIdle } from '../useWhenIdle.ts';
import { useBench, useCard, useSession } from './hooks.ts';

/** How often the page itself learns what was measured of moving pictures. */
const PAGE_MS = 250;

/** Measures the frame on the bench whenever it, its patches or the card change; of moving pictures every one. */
export const useMeasuring = (): void => {
  const { session, strip } = useBench();
  const card = useCard();
  const { target } = card;
  const { serial, patches, keyed } = useSession(({ frame, ...state }) => ({
    serial: frame?.serial,
    patches: state.patches,
    keyed: state.keyed,
  }));
  useWhenIdle(session.askKernels);
  const latest = useRef(card);
  useEffect(() => {
    latest.current = card;
  }, [card]);

  useEffect(() => {
    if (serial === undefined) return undefined;
    const gone = new AbortController();
    void session.frame.measure(target, gone.signal);
    return () => gone.abort();
  }, [session, serial, target, patches, keyed]);

  useEffect(() => {
    strip.clear();
  }, [strip, serial]);

  useEffect(() => {
    let told = 0;
    return session.pulse.listen(async () => {
      const { frame } = session.getState();
      if (!frame) return;
      const { numbers, light, target: against } = latest.current;
      const measured = await session.frame.measureNow(against);
      if (!measured || session.getState().frame?.serial !== frame.serial) return;
      if (frame.kind === 'feed' && measured.at !== undefined) {
        const { stripSample } = await import('./stripSample.ts');
        strip.add(stripSample(measured.at, measured.measurement, numbers, light));
      }
      const now = performance.now();
      const moves = session.moving.getState().running || session.getState().stage?.running === true;
      if (moves && now - told < PAGE_MS) return;
      told = now;
      strip.tell();
      session.frame.keep(measured);
    });
  }, [session, strip]);
};
