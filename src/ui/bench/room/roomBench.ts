import { createStore } from 'zustand/vanilla';
import type { RoomEvent } from '#core/room/events.ts';
import type { RoomJobs, RoomPicture, StageSetting } from '#workers/room/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { createInputRuns } from './inputRuns.ts';
import { emptyEvening, momentKey, withEvent, type Evening } from './roomBox.ts';
import {
  alarmKey,
  newInput,
  type Asked,
  type InputOnBench,
  type InputSource,
  type RoomBenchState,
} from './roomState.ts';
import { createRoomWatch } from './roomWatch.ts';

type Painter = (picture: RoomPicture) => void;

const wait = (ms: number) => new Promise<void>((go) => setTimeout(go, ms));

type Parts = {
  readonly start: () => Client<RoomJobs>;
  readonly now: () => number;
  /** Keeps the evening as it stands now. */
  readonly keep: (evening: Evening) => void;
  /** Something is to be told where nobody looks at the room. */
  readonly tell?: (event: RoomEvent) => void;
  readonly pause?: (ms: number) => Promise<void>;
};

/** The inputs of a live room: each runs by itself, is watched by itself, and is had again when it returns. */
export const createRoomBench = ({ start, now, keep, tell, pause = wait }: Parts) => {
  const store = createStore<RoomBenchState>(() => ({ inputs: {}, evening: emptyEvening(''), seen: [] }));
  const { getState: get, setState: set } = store;
  const watch = createRoomWatch();
  const asked = new Map<string, Asked>();
  const painters = new Map<string, Set<Painter>>();
  /** How simulated cameras stand: what has not changed is not turned. */
  const staged = new Map<string, string>();
  let client: Client<RoomJobs> | undefined;

  const change = (id: string, fields: Partial<InputOnBench>) =>
    set(({ inputs }) => (inputs[id] ? { inputs: { ...inputs, [id]: { ...inputs[id], ...fields } } } : {}));
  const write = (event: RoomEvent) => {
    set(({ evening }) => ({ evening: withEvent(evening, event) }));
    keep(get().evening);
    if ([...painters.values()].every((here) => here.size === 0)) tell?.(event);
  };
  const worker = (): Client<RoomJobs> => {
    client ??= start();
    return client;
  };

  const hold = (id: string) => {
    const wants = asked.get(id);
    if (!wants) return;
    const moment = get().evening.moments[momentKey(id, wants.positionId)];
    watch.of(id).hold(moment?.patches, wants.dial);
  };

  const runs = createInputRuns({
    now,
    pause,
    worker,
    watch,
    change,
    write,
    askedOf: (id) => asked.get(id)!,
    paintersOf: (id) => painters.get(id) ?? [],
    inputOf: (id) => get().inputs[id],
    isBack: (id, kind) => set(({ seen }) => ({ seen: seen.filter((one) => one !== alarmKey(id, kind)) })),
  });
  const drop = (id: string) => {
    runs.drop(id);
    void client?.call('close', { id });
  };

  return {
    ...store,
    /** Another set-up's evening, as it was kept. */
    enter: (evening: Evening) => {
      for (const id of runs.ids()) drop(id);
      for (const id of asked.keys()) watch.forget(id);
      asked.clear();
      set({ inputs: {}, evening, seen: [] });
    },
    /** What is wanted of an input's pictures from now on. */
    ask: (id: string, wants: Asked) => {
      const before = asked.get(id);
      asked.set(id, wants);
      const isElsewhere = before?.positionId !== wants.positionId;
      if (isElsewhere || JSON.stringify(before?.dial) !== JSON.stringify(wants.dial)) hold(id);
      if (before && JSON.stringify(before.reading) !== JSON.stringify(wants.reading)) watch.of(id).restart();
    },
    /** Takes pictures of a source, in the place of the one before. */
    connect: (id: string, source: InputSource) => {
      watch.of(id).restart();
      staged.delete(id);
      set(({ inputs }) => ({ inputs: { ...inputs, [id]: newInput(source) } }));
      runs.start(id, source);
    },
    disconnect: (id: string) => {
      drop(id);
      watch.forget(id);
      set(({ inputs: { [id]: _gone, ...inputs } }) => ({ inputs }));
    },
    /** Somebody draws an input's pictures. @returns how it stops */
    paint: (id: string, painter: Painter) => {
      const here = painters.get(id) ?? new Set();
      here.add(painter);
      painters.set(id, here);
      return () => void here.delete(painter);
    },
    /** A simulated camera is turned, or the evening put on. */
    stage: (id: string, setting: StageSetting, to?: number) => {
      const key = JSON.stringify(setting);
      if (to === undefined && staged.get(id) === key) return;
      staged.set(id, key);
      watch.of(id).restart();
      void client?.call('stage', { id, ...setting, ...(to === undefined ? {} : { to }) });
    },
    /** Something was turned on a camera: what its marks showed before says nothing any more. */
    turned: (id: string, says: string, what: 'turned' | 'mixer' = 'turned') => {
      watch.of(id).restart();
      change(id, { patches: undefined });
      write({ at: now(), inputId: id, what, says });
    },
    /** The moment that inputs are held against from now on. @param says How each stands, by its id */
    keepMoment: (says: Readonly<Record<string, string>>) => {
      const at = now();
      for (const [id, stands] of Object.entries(says)) {
        const { patches } = get().inputs[id] ?? {};
        const wants = asked.get(id);
        if (!patches || patches.length === 0 || !wants) continue;
        const key = momentKey(id, wants.positionId);
        set(({ evening, seen }) => ({
          evening: { ...evening, moments: { ...evening.moments, [key]: { at, patches } } },
          seen: seen.filter((one) => !one.startsWith(`${id} `)),
        }));
        hold(id);
        change(id, { drift: {}, told: [], minutes: [] });
        write({ at, inputId: id, what: 'kept', says: stands });
      }
    },
    /** Everything that is told has been looked at. */
    acknowledge: () => {
      const at = now();
      const { inputs, seen } = get();
      for (const [id, { told }] of Object.entries(inputs))
        for (const kind of told)
          if (!seen.includes(alarmKey(id, kind))) {
            set((state) => ({ seen: [...state.seen, alarmKey(id, kind)] }));
            write({ at, inputId: id, what: 'seen', kind });
          }
    },
    note: write,
    end: () => {
      for (const id of runs.ids()) drop(id);
      client?.end?.();
      client = undefined;
    },
  };
};
export type RoomBench = ReturnType<typeof createRoomBench>;
