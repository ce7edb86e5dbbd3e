import { createStore } from 'zustand/vanilla';
import { failure } from '#core/result.ts';
import type { ClipInfo, JudgeJobs } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { since1970 } from '#workers/judge/clock.ts';
import { createFeeding, type MovingNews } from './feeding.ts';
import { AT_REST, runLive, type LiveState, type LiveStep } from './liveLoop.ts';
import type { Pulse } from './pulse.ts';

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, Math.max(0, ms)));

/**
 * Clips that play and feeds that run. Where they stand is a store of its own: it changes with every picture,
 * and only what shows it is drawn anew.
 */
export const createMoving = (judge: Client<JudgeJobs>, pulse: Pulse, told: MovingNews) => {
  const store = createStore<LiveState>(() => AT_REST);
  let stopped = true;
  let run = 0;

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

  const feeding = createFeeding({ judge, pulse, told, begin, stop, showStep });

  const pauseAll = () => {
    stop();
    feeding.end();
  };

  return Object.assign(store, {
    seek,
    play,
    startFeed: feeding.start,
    /** Stops what moves; a device is let go. The last picture stays. */
    pause: pauseAll,
    reset: () => {
      pauseAll();
      store.setState(AT_REST);
    },
  });
};

export type Moving = ReturnType<typeof createMoving>;
