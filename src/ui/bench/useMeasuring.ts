'use client';

import { useEffect, useRef } from 'react';
import type { Temperature } from '#core/colour/temperature.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Session } from './session.ts';
import type { Strip } from './strip.ts';
import { stripSample } from './strip.ts';
import { patchesAt } from './tracks.ts';

/** How often the page itself learns what was measured of moving pictures. */
const PAGE_MS = 250;

/** Measures the frame on the bench whenever it, its patches or the card change; of moving pictures every one. */
export const useMeasuring = (
  { session, strip }: { session: Session; strip: Strip },
  profile: ProfileData | undefined,
  numbers: SetCardNumbers | undefined,
  light: Temperature | undefined,
) => {
  const { frame, patches, keyed } = session.getState();
  const serial = frame?.serial;
  const latest = useRef({ profile, numbers, light });
  useEffect(() => {
    latest.current = { profile, numbers, light };
  }, [profile, numbers, light]);

  const clipStops = numbers?.clipStops;
  const floorStops = numbers?.floorStops;
  useEffect(() => {
    if (serial === undefined || !profile || clipStops === undefined || floorStops === undefined)
      return undefined;
    const here = patchesAt(patches, keyed, session.moving.getState().at);
    let gone = false;
    void session.judge
      .call('measure', { profile, clipStops, floorStops, patches: here }, { latest: 'measure' })
      .then((outcome) => {
        if (!gone && outcome.state === 'done' && session.getState().frame?.serial === serial)
          session.setState({ measurement: outcome.output });
      });
    return () => {
      gone = true;
    };
  }, [session, serial, profile, clipStops, floorStops, patches, keyed]);

  useEffect(() => {
    strip.clear();
  }, [strip, serial]);

  useEffect(() => {
    let told = 0;
    return session.pulse.listen(async () => {
      const { profile: data, numbers: card, light: dialled } = latest.current;
      const { patches: marked, keyed: keys, frame: open } = session.getState();
      if (!data || !card || !open) return;
      const { at, running } = session.moving.getState();
      const here = patchesAt(marked, keys, at);
      const { clipStops: clip, floorStops: floor } = card;
      const outcome = await session.judge.call('measure', { profile: data, clipStops: clip, floorStops: floor, patches: here }); // prettier-ignore
      if (outcome.state !== 'done' || session.getState().frame?.serial !== open.serial) return;
      if (open.kind === 'feed') strip.add(stripSample(at, outcome.output, card, dialled));
      const now = performance.now();
      const moves = running || session.getState().stage?.running === true;
      if (moves && now - told < PAGE_MS) return;
      told = now;
      strip.tell();
      session.setState({ measurement: outcome.output });
    });
  }, [session, strip]);
};
