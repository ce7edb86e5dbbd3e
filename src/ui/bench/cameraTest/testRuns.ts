import type { StoreApi } from 'zustand/vanilla';
import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import type { Range } from '#core/signal/scale.ts';
import type { CameraTestJobs, SmallPicture } from '#workers/cameraTest/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { failure, type Result } from '#core/result.ts';
import type { Triple } from '#core/maths/matrix.ts';
import type { TestAsked, TestChart, TestClip, TestState } from './testState.ts';

type Parts = {
  readonly store: StoreApi<TestState>;
  readonly ask: () => Client<CameraTestJobs>;
};

/** Clips that are looked at at a time. */
const AT_ONCE = 4;

/** What is asked of the worker for a test: looking at its clips, telling what they say. */
export const createTestRuns = ({ store, ask }: Parts) => {
  const { getState: get, setState: set } = store;

  const looked = () => get().clips.filter(({ state }) => state === 'looked');
  const change = (id: string, part: Partial<TestClip>) =>
    set(({ clips }) => ({ clips: clips.map((clip) => (clip.id === id ? { ...clip, ...part } : clip)) }));

  /** Which shot each hold is, and what all of them tell. */
  const tell = async (asked: TestAsked, signal: AbortSignal): Promise<void> => {
    const { edits } = get();
    const clips = looked();
    const ids = clips.map(({ id }) => id);
    if (ids.length === 0) {
      set({ found: [], problems: [], told: undefined, failure: undefined });
      return;
    }
    const { list, ...basis } = asked;
    set({ busy: { what: 'Telling shots apart', share: 0.95 } });
    const found = await ask().call('find', { list, clips: ids, edits }, { signal });
    if (signal.aborted) return;
    if (found.state === 'failed') {
      set({ failure: found.reason });
      return;
    }
    if (found.state !== 'done') return;
    set(found.output);
    const coding = clips[0].looked!.coding;
    const told = await ask().call('evaluate', { ...basis, coding, list, clips: ids, edits }, { signal });
    if (signal.aborted || told.state === 'cancelled') return;
    if (told.state === 'failed') set({ told: undefined, failure: told.reason });
    else if (told.output.ok) set({ told: told.output.value, failure: undefined });
    else set({ told: undefined, failure: told.output.reason });
  };

  /** Looks at one waiting clip after the other. */
  const lookOn = async (range: Range, signal: AbortSignal): Promise<void> => {
    const all = get().clips.length;
    for (;;) {
      const clip = get().clips.find(({ state }) => state === 'waiting');
      if (!clip || signal.aborted) return;
      change(clip.id, { state: 'looking', share: 0 });
      const outcome = await ask().call(
        'look',
        { id: clip.id, file: clip.file, range, marks: get().marks },
        {
          signal,
          onProgress: ({ fraction }) => {
            if (signal.aborted) return;
            const done = get().clips.filter(({ state }) => state === 'looked' || state === 'leftOut').length;
            set({ busy: { what: clip.file.name, share: (done + fraction) / all } });
          },
        },
      );
      if (outcome.state === 'cancelled') {
        change(clip.id, { state: 'waiting', share: undefined });
        return;
      }
      if (outcome.state === 'failed') change(clip.id, { state: 'leftOut', problem: outcome.reason });
      else if (!outcome.output.ok) change(clip.id, { state: 'leftOut', problem: outcome.output.reason });
      else change(clip.id, { state: 'looked', looked: outcome.output.value });
    }
  };

  /** All waiting clips: while one is decoded another is looked at. */
  const lookAtAll = async (range: Range, signal: AbortSignal): Promise<void> => {
    await Promise.all(Array.from({ length: AT_ONCE }, () => lookOn(range, signal)));
  };

  /** Files that the stage filmed; undefined where it was stopped or failed. */
  const filmed = async (
    input: CameraTestJobs['film']['input'],
    signal: AbortSignal,
  ): Promise<readonly File[] | undefined> => {
    const outcome = await ask().call('film', input, {
      signal,
      onProgress: ({ phase, fraction }) => {
        if (!signal.aborted) set({ busy: { what: phase, share: fraction } });
      },
    });
    if (outcome.state === 'done') return outcome.output.map(({ name, bytes }) => new File([bytes], name));
    if (!signal.aborted)
      set({ busy: undefined, failure: outcome.state === 'failed' ? outcome.reason : undefined });
    return undefined;
  };

  const pictures = {
    picture: async (clip: string, at: number): Promise<SmallPicture | undefined> => {
      const outcome = await ask().call('picture', { clip, at });
      return outcome.state === 'done' ? outcome.output : undefined;
    },

    /** A frame large enough to mark the card on. */
    preview: async (on: FoundIn, range: Range, signal: AbortSignal): Promise<SmallPicture | undefined> => {
      const clip = get().clips.find(({ id }) => id === on.clip);
      if (!clip) return undefined;
      const outcome = await ask().call(
        'preview',
        { file: clip.file, range, at: on.from },
        { signal, latest: 'preview' },
      );
      return outcome.state === 'done' && outcome.output.ok ? outcome.output.value : undefined;
    },
  };

  /** A chart's patches, read where its corners lie. */
  const chartSignals = async (
    { corners, board }: Pick<TestChart, 'corners' | 'board'>,
    on: FoundIn,
    range: Range,
    signal: AbortSignal,
  ): Promise<Result<readonly Triple[]> | undefined> => {
    const clip = get().clips.find(({ id }) => id === on.clip);
    if (!clip) return undefined;
    const outcome = await ask().call(
      'chart',
      { file: clip.file, range, at: (on.from + on.to) / 2, corners, board },
      { signal, latest: 'chart' },
    );
    if (outcome.state === 'failed') return failure('chart', outcome.reason);
    return outcome.state === 'done' ? outcome.output : undefined;
  };

  return { tell, lookAtAll, filmed, chartSignals, pictures };
};
