'use client';

import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { failure } from '#core/result.ts';
import { eventSays } from '#core/room/events.ts';
import { startRoom } from '#workers/room/client.ts';
import { since1970 } from '#workers/judge/clock.ts';
import { useBench } from '../hooks.ts';
import type { Services } from '../services.ts';
import { createRoomBench, type RoomBench } from './roomBench.ts';
import type { RoomBenchState } from './roomState.ts';
import { roomBox } from './roomBox.ts';

const benches = new WeakMap<Services, RoomBench>();

/** The live room of this window, made when it is first opened. */
export const useRoomBench = (): RoomBench => {
  const services = useBench();
  const known = benches.get(services);
  if (known) return known;
  const box = roomBox(services.database);
  const bench = createRoomBench({
    start: startRoom,
    now: since1970,
    // A browser that keeps no data has told so at its start.
    tell: (event) => {
      const isNews = (event.what === 'drift' && event.state === 'began') || event.what === 'input';
      const name = services.book.getState().cameras.get(event.inputId)?.name ?? event.inputId;
      if (isNews) services.session.notice.say(`Live room, ${name}`, failure('room', eventSays(event)));
    },
    keep: (evening) => void box.keep(evening).catch(() => undefined),
  });
  benches.set(services, bench);
  return bench;
};

/** Part of what is in it. */
export const useOnRoomBench = <T>(part: (state: RoomBenchState) => T): T =>
  useStore(useRoomBench(), useShallow(part));
