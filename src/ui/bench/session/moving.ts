import { createStore } from 'zustand/vanilla';
import { failure, type Failure } from '#core/result.ts';
import type { Range } from '#core/signal/scale.ts';
import type { ClipInfo, FrameInfo, JudgeJobs } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { since1970 } from '#workers/judge/clock.ts';
import { AT_REST, runLive, type LiveState, type LiveStep } from './liveLoop.ts';
import type { Pulse } from './pulse.ts';

/** What moving pictures tell the session. */
type Told = {
  readonly opened: (frame: {
    readonly name: string;
    readonly kind: 'feed';
    readonly info: FrameInfo;
  }) => void;
  /** The feed changed its size or coding on the way. */
  readonly reread: (info: FrameInfo) => void;
  readonly failed: (name: string, failure: Failure) => void;
  readonly waiting: (name: string, phase: string) => void;
  /** What was waited for is not waited for any more. */
  readonly ended: () => void;
};

/** What a feed is made of: a device's picture, and the way to let the device go. */
export type FeedSource = {
  readonly name: string;
  readonly frames: ReadableStream<VideoFrame>;
  readonly end: () => void;
  /** Called when the device goes away by itself. */
  readonly onGone: (gone: () => void) => void;
};

/** A feed’s picture that waited longer than this is left out, ms: at 25 a second a newer one has come for certain. */
const OLD_MS = 50;

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, Math.max(0, ms)));
const shapeOf = ({ width, height, bitDepth, range }: FrameInfo) => `${width} ${height} ${bitDepth} ${range}`;

/**
 * Clips that play and feeds that run. Where they stand is a store of its own: it changes with every picture,
 * and only what shows it is drawn anew.
 */
export const createMoving = (judge: Client<JudgeJobs>, pulse: Pulse, told: Told) => {
  const store = createStore<LiveState>(() => AT_REST);
  let stopped = true;
  let run = 0;
  let source: FeedSource | undefined;

  const stop = () => {
    stopped = true;
    run += 1;
    store.setState({ running: false });
  };
  const begin = () => {
    run += 1;
    const mine = run;
    stopped = false;
    store.setState({ running: true, shown: 0, dropped: 0, late: 0 });
    return () => stopped || run !== mine;
  };
  // Told with the next picture: a change of its own would have the page drawn twice.
  let late = 0;
  const showStep = async ({ at, dropped, arrivedAt }: LiveStep) => {
    store.setState((now) => ({ at, shown: now.shown + 1, dropped: now.dropped + dropped, late }));
    await pulse.beat(() => {
      late = arrivedAt === undefined ? 0 : since1970() - arrivedAt;
    });
  };

  const endSource = (which = source) => {
    if (which !== source) return;
    source?.end();
    source = undefined;
  };

  /** Puts a frame of the open clip on the bench. */
  const seek = async (name: string, frame: number): Promise<boolean> => {
    const outcome = await judge.call('seek', { frame }, { latest: 'seek' });
    if (outcome.state === 'failed') told.failed(name, failure('clip', outcome.reason));
    if (outcome.state !== 'done') return false;
    if (!outcome.output.ok) {
      told.failed(name, outcome.output);
      return false;
    }
    store.setState({ at: frame });
    await pulse.beat();
    return true;
  };

  const play = async (name: string, { times }: ClipInfo): Promise<void> => {
    const isStopped = begin();
    let n = store.getState().at >= times.length - 1 ? 0 : store.getState().at;
    const started = performance.now() - 1000 * times[n];
    const ended = await runLive(
      isStopped,
      async () => {
        const due = (performance.now() - started) / 1000;
        // What is due by now is shown next; what was due before is left out and counted.
        let next = n;
        while (next < times.length - 1 && times[next + 1] <= due) next += 1;
        if (next === n) {
          if (n >= times.length - 1) return undefined;
          next = n + 1;
          await pause(1000 * times[next] - (performance.now() - started));
        }
        const outcome = await judge.call('seek', { frame: next });
        if (outcome.state === 'failed') return failure('clip', outcome.reason);
        if (outcome.state !== 'done') return undefined;
        if (!outcome.output.ok) return outcome.output;
        const dropped = next - n - 1;
        n = next;
        return { ok: true, value: { at: next, dropped: Math.max(0, dropped) } };
      },
      showStep,
    );
    if (ended && !ended.ok) told.failed(name, ended);
    if (!isStopped()) stop();
  };

  const follow = async (from: FeedSource, isStopped: () => boolean, first: FrameInfo): Promise<void> => {
    let shape = shapeOf(first);
    const ended = await runLive(
      isStopped,
      async () => {
        const outcome = await judge.call('feedNext', {});
        if (outcome.state === 'failed') return failure('feed', outcome.reason);
        if (outcome.state !== 'done') return undefined;
        if (!outcome.output.ok) return outcome.output;
        const { info, seconds, dropped, arrivedAt } = outcome.output.value;
        if (shapeOf(info) !== shape) {
          shape = shapeOf(info);
          told.reread(info);
        }
        return { ok: true, value: { at: seconds, dropped, arrivedAt } };
      },
      showStep,
      ({ arrivedAt }) => since1970() - (arrivedAt ?? Infinity) > OLD_MS,
    );
    if (ended && !ended.ok) told.failed(from.name, ended);
    if (!isStopped()) stop();
    // Another device may have been chosen meanwhile: that one stays.
    endSource(from);
  };

  /** Takes a device's pictures until it is stopped or goes away. */
  const startFeed = async (from: FeedSource, range: Range): Promise<void> => {
    stop();
    endSource();
    source = from;
    told.waiting(from.name, 'Waiting for the first picture');
    const outcome = await judge.call(
      'feed',
      { frames: from.frames, name: from.name, range },
      { transfer: [from.frames] },
    );
    // Something else was opened, or another device chosen, while this one was waited for.
    if (source !== from) return;
    if (outcome.state !== 'done' || !outcome.output.ok) {
      endSource(from);
      told.ended();
      if (outcome.state === 'failed') told.failed(from.name, failure('feed', outcome.reason));
      else if (outcome.state === 'done' && !outcome.output.ok) told.failed(from.name, outcome.output);
      return;
    }
    const isStopped = begin();
    from.onGone(() => {
      if (isStopped()) return;
      stop();
      endSource(from);
      told.failed(
        from.name,
        failure('device', 'The device went away: plug it in again and choose it. The last picture stays.'),
      );
    });
    told.opened({ name: from.name, kind: 'feed', info: outcome.output.value.info });
    await pulse.beat();
    void follow(from, isStopped, outcome.output.value.info);
  };

  const pauseAll = () => {
    stop();
    if (source) void judge.call('feedStop', {});
    endSource();
  };

  return Object.assign(store, {
    seek,
    play,
    startFeed,
    /** Stops what moves; a device is let go. The last picture stays. */
    pause: pauseAll,
    reset: () => {
      pauseAll();
      store.setState(AT_REST);
    },
  });
};

export type Moving = ReturnType<typeof createMoving>;
