import { failure } from '#core/result.ts';
import type { RoomJobs } from '#workers/room/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import type { Result } from '#core/result.ts';
import { wordsOf } from '../session/files.ts';
import { followInput, type FollowParts } from './followInput.ts';
import type { Asked, InputSource } from './roomState.ts';

/** Between two tries to have an input again, ms. */
const AGAIN_MS = 2000;
type Running = { readonly source: InputSource; isOver: boolean; end?: () => void };

type Parts = FollowParts & {
  readonly pause: (ms: number) => Promise<void>;
  readonly worker: () => Client<RoomJobs>;
  readonly askedOf: (id: string) => Asked;
};

/** Why a call brought no picture. */
const reasonOf = (outcome: Outcome<Result<unknown>>): string => {
  if (outcome.state === 'failed') return outcome.reason;
  return outcome.state === 'done' && !outcome.output.ok ? outcome.output.reason : 'It was let go.';
};

/** Calls without a picture after which an input is opened anew. */
const MOST_MISSES = 2;
/** The worker does not know the input any more: it has ended, and another one was started. */
const isLost = (outcome: Outcome<Result<unknown>>): boolean =>
  outcome.state === 'failed' ||
  (outcome.state === 'done' && !outcome.output.ok && outcome.output.where === 'input');

/** The inputs as they run: each opened, followed, and had again when it stopped. */
export const createInputRuns = (parts: Parts) => {
  const { now, pause, worker, askedOf, inputOf, change, write } = parts;
  const running = new Map<string, Running>();

  /** Gives no pictures: said once, and tried again until it does or is let go. */
  const isGone = async (id: string, problem: string): Promise<void> => {
    const before = inputOf(id)?.state;
    if (before !== 'gone') write({ at: now(), inputId: id, what: 'input', state: 'gone' });
    change(id, { state: 'gone', problem, rate: 0 });
    await pause(AGAIN_MS);
  };

  const opened = async (id: string, mine: Running): Promise<boolean> => {
    const had = await mine.source.open().catch((error: unknown) => failure('input', wordsOf(error)));
    if (mine.isOver) {
      if (had.ok) had.value.end?.();
      return false;
    }
    if (!had.ok) {
      await isGone(id, had.reason);
      return false;
    }
    const { source, transfer, end } = had.value;
    mine.end = end;
    const { reading } = askedOf(id);
    const outcome = await worker().call('open', { id, source, reading }, { transfer: [...transfer] });
    // Let go while it was opened: nobody else will.
    if (mine.isOver && !running.has(id)) void worker().call('close', { id });
    if (outcome.state === 'done' && outcome.output.ok) return true;
    end?.();
    if (!mine.isOver) await isGone(id, reasonOf(outcome));
    return false;
  };

  const run = async (id: string, mine: Running): Promise<void> => {
    while (!mine.isOver) {
      if (!(await opened(id, mine))) continue;
      const take = followInput({ id, ...parts, isOver: () => mine.isOver });
      // The same for as long as pictures come; a device that is only slow is not opened anew.
      for (let misses = 0; misses < MOST_MISSES && !mine.isOver;) {
        const { reading, drawing } = askedOf(id);
        const outcome = await worker().call('next', { id, reading, drawing });
        if (mine.isOver) break;
        if (outcome.state === 'done' && outcome.output.ok) {
          misses = 0;
          take(outcome.output.value);
          continue;
        }
        misses += isLost(outcome) ? MOST_MISSES : 1;
        await isGone(id, reasonOf(outcome));
      }
      mine.end?.();
      mine.end = undefined;
    }
  };

  const drop = (id: string) => {
    const was = running.get(id);
    if (!was) return;
    was.isOver = true;
    was.end?.();
    running.delete(id);
  };

  return {
    drop,
    ids: (): readonly string[] => [...running.keys()],
    /** In the place of the one before. */
    start: (id: string, source: InputSource): void => {
      drop(id);
      const mine: Running = { source, isOver: false };
      running.set(id, mine);
      void run(id, mine);
    },
  };
};
