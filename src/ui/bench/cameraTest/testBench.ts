import { createStore } from 'zustand/vanilla';
import { chartRead } from '#core/cameraTest/chart.ts';
import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import type { TestMarks } from '#core/cameraTest/find/glance.ts';
import type { Range } from '#core/signal/scale.ts';
import type { CameraTestJobs } from '#workers/cameraTest/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { createTestRuns } from './testRuns.ts';
import { NO_TEST, type TestAsked, type TestChart, type TestClip, type TestState } from './testState.ts';

type FilmInput = CameraTestJobs['film']['input'];

/** Most clips of one test. */
const MOST_CLIPS = 400;

/** The bench without its clips: what is at hand stays. */
const cleared = ({ have, length, zebra }: TestState): TestState => ({ ...NO_TEST, have, length, zebra });

const byName = (a: TestClip, b: TestClip) =>
  a.file.name.localeCompare(b.file.name, 'en', { numeric: true }) ||
  a.file.lastModified - b.file.lastModified;

type Parts = {
  readonly start: () => Client<CameraTestJobs>;
  readonly now: () => number;
  readonly newId: () => string;
};

/** A camera test on the bench: its clips, what was found in them, what they tell. Nothing is stored by it. */
export const createTestBench = ({ start, now, newId }: Parts) => {
  const store = createStore<TestState>(() => NO_TEST);
  const { getState: get, setState: set } = store;
  let client: Client<CameraTestJobs> | undefined;
  let going: AbortController | undefined;
  const ask = () => (client ??= start());
  const { tell, lookAtAll, filmed, chartSignals, pictures } = createTestRuns({ store, ask });

  /** A new piece of work: what was going before is given up. */
  const begin = () => {
    going?.abort();
    going = new AbortController();
    return going.signal;
  };

  const run = async (asked: TestAsked, range: Range): Promise<void> => {
    const signal = begin();
    const since = now();
    try {
      await lookAtAll(range, signal);
      await tell(asked, signal);
    } finally {
      if (!signal.aborted) set({ busy: undefined, seconds: (now() - since) / 1000 });
    }
  };

  const tellAgain = async (asked: TestAsked): Promise<void> => {
    const signal = begin();
    await tell(asked, signal);
    if (!signal.aborted) set({ busy: undefined });
  };

  return {
    subscribe: store.subscribe,
    getState: get,
    getInitialState: store.getInitialState,

    /** Further clips; they are looked at in the order of their names. @returns How many were too many. */
    drop: async (files: readonly File[], asked: TestAsked, range: Range): Promise<number> => {
      const room = Math.max(0, MOST_CLIPS - get().clips.length);
      const clips = files.slice(0, room).map((file): TestClip => ({ id: newId(), file, state: 'waiting' }));
      set((state) => ({ clips: [...state.clips, ...clips].sort(byName) }));
      await run(asked, range);
      return Math.max(0, files.length - room);
    },

    /** What is at hand, how thorough, what was noted. */
    prepare: (part: Partial<Pick<TestState, 'have' | 'length' | 'zebra'>>): void => set(part),

    /** The same clips told anew: after a change to the list, or to what is known of the light. */
    again: async (asked: TestAsked): Promise<void> => {
      if (get().clips.length === 0) return;
      await tellAgain(asked);
    },

    /** Card and chip marked on the frame of a hold: every clip is looked at again. */
    mark: async (on: FoundIn, marks: TestMarks, asked: TestAsked, range: Range): Promise<void> => {
      const clip = get().clips.find(({ id }) => id === on.clip);
      if (!clip) return;
      const signal = begin();
      set({ marks, busy: { what: clip.file.name, share: 0 } });
      await ask().call('remember', { file: clip.file, range, at: on.from, marks }, { signal });
      set(({ clips }) => ({
        clips: clips.map((one) => (one.state === 'leftOut' ? one : { ...one, state: 'waiting' as const })),
      }));
      await run(asked, range);
    },

    /** A hold is another shot, or none; undefined: as found. */
    label: async (hold: string, shotId: string | null | undefined, asked: TestAsked): Promise<void> => {
      const { [hold]: _, ...labels } = get().edits.labels;
      const { bounds } = get().edits;
      set({ edits: { bounds, labels: shotId === undefined ? labels : { ...labels, [hold]: shotId } } });
      await tellAgain(asked);
    },

    /** A chart laid on the frame of a hold, or what is known of it: it is read there, and the gamut told anew. */
    layChart: async (chart: TestChart, on: FoundIn, asked: TestAsked, range: Range): Promise<void> => {
      const signal = begin();
      const { signals: _, problem: __, ...laid } = chart;
      set({ chart: laid });
      const read = await chartSignals(chart, on, range, signal);
      if (!read || signal.aborted) return;
      const known = read.ok ? chartRead(laid, read.value, laid.shotId) : read;
      set({
        chart: {
          ...laid,
          ...(read.ok ? { signals: read.value } : {}),
          ...(known.ok ? {} : { problem: known.reason }),
        },
      });
      const { chart: ___, ...rest } = asked;
      await tell(known.ok ? { ...rest, chart: known.value } : rest, signal);
      if (!signal.aborted) set({ busy: undefined });
    },

    bound: async (hold: string, from: number, to: number, asked: TestAsked): Promise<void> => {
      const { labels, bounds } = get().edits;
      set({ edits: { labels, bounds: { ...bounds, [hold]: { from, to } } } });
      await tellAgain(asked);
    },

    ...pictures,

    /** The stage films the list; what it filmed is dropped as any clips are. */
    film: async (input: FilmInput, asked: TestAsked, range: Range): Promise<void> => {
      const signal = begin();
      await ask().call('forget', { ids: get().clips.map(({ id }) => id) });
      set({ ...cleared(get()), busy: { what: '', share: 0 } }, true);
      const files = await filmed(input, signal);
      if (!files) return;
      set({ clips: files.map((file): TestClip => ({ id: newId(), file, state: 'waiting' })) });
      await run(asked, range);
    },

    remove: async (id: string, asked: TestAsked): Promise<void> => {
      set(({ clips }) => ({ clips: clips.filter((clip) => clip.id !== id) }));
      await ask().call('forget', { ids: [id] });
      await tellAgain(asked);
    },

    stop: (): void => {
      going?.abort();
      set(({ clips }) => ({
        busy: undefined,
        clips: clips.map((clip) =>
          clip.state === 'looking' ? { ...clip, state: 'waiting' as const } : clip,
        ),
      }));
    },

    clear: (): void => {
      going?.abort();
      const ids = get().clips.map(({ id }) => id);
      set(cleared(get()), true);
      if (client) void client.call('forget', { ids });
    },

    end: (): void => client?.end(),
  };
};

export type TestBench = ReturnType<typeof createTestBench>;
