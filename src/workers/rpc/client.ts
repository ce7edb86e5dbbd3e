import type { FromWorker, Jobs, Outcome, Progress, WorkerLike } from './protocol.ts';
import { watchByLock, type Watch } from './watch.ts';

export type CallOptions = {
  /** Buffers and streams handed over; they are gone here afterwards. */
  readonly transfer?: readonly Transferable[];
  readonly onProgress?: (progress: Progress) => void;
  /** Latest wins: a newer call with the same key cancels this one. */
  readonly latest?: string;
  readonly signal?: AbortSignal;
};

export type Client<J extends Jobs> = {
  /** Runs a job. Never rejects, always ends: by an answer, by being cancelled, or as failed with a sentence. */
  readonly call: <K extends keyof J & string>(
    job: K,
    input: J[K]['input'],
    options?: CallOptions,
  ) => Promise<Outcome<J[K]['output']>>;
  /** Called each time the worker has ended by itself; what it held is gone, the next call starts another one. */
  readonly onEnded: (listener: (reason: string) => void) => () => void;
  /** Ends the worker for good; what waits is cancelled. */
  readonly end: () => void;
};

type Waiting = {
  readonly resolve: (outcome: Outcome<unknown>) => void;
  readonly onProgress?: (progress: Progress) => void;
};

type Running = {
  readonly worker: WorkerLike;
  readonly waiting: Map<number, Waiting>;
  readonly unwatch: () => void;
};

const wordsOf = (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, 120);

/**
 * Calls to a worker, which is started with the first of them. One that fails to load, throws outside of a
 * job, sends what cannot be read or is ended by the browser answers everything that waits with a sentence;
 * the next call finds a new one.
 * @param name what the worker does, for the sentence: "judging pictures"
 */
export const createClient = <J extends Jobs>(
  spawn: () => WorkerLike,
  { name, watch = watchByLock }: { readonly name: string; readonly watch?: Watch },
): Client<J> => {
  const newest = new Map<string, number>();
  const listeners = new Set<(reason: string) => void>();
  let running: Running | undefined;
  let closed = false;
  let lastId = 0;

  const settle = ({ waiting }: Running, outcome: Outcome<never>) => {
    const left = [...waiting.values()];
    waiting.clear();
    for (const { resolve } of left) resolve(outcome);
  };

  const die = (worker: WorkerLike, why: string) => {
    if (running?.worker !== worker) return;
    const was = running;
    running = undefined;
    was.unwatch();
    worker.terminate();
    const reason = `The worker for ${name} ${why}. Another one takes its place: do again what you were at.`;
    settle(was, { state: 'failed', reason });
    for (const listener of listeners) listener(reason);
  };

  const receive = ({ waiting }: Running, data: FromWorker) => {
    if (data.kind === 'holds') return;
    const call = waiting.get(data.id);
    if (!call) return;
    if (data.kind === 'progress') {
      call.onProgress?.(data.progress);
      return;
    }
    waiting.delete(data.id);
    if (data.kind === 'done') call.resolve({ state: 'done', output: data.output });
    else if (data.kind === 'cancelled') call.resolve({ state: 'cancelled' });
    else
      call.resolve({
        state: 'failed',
        reason: `It could not be worked out (${data.message.slice(0, 160)}).`,
      });
  };

  const start = (): Running => {
    const worker = spawn();
    const made: Running = {
      worker,
      waiting: new Map(),
      unwatch: watch(worker, () => die(worker, 'was ended by the browser')),
    };
    worker.addEventListener('message', ({ data }) => receive(made, data));
    worker.addEventListener('error', (event) => {
      event.preventDefault?.();
      die(worker, `stopped with an error${event.message ? ` (${event.message.slice(0, 120)})` : ''}`);
    });
    worker.addEventListener('messageerror', () => die(worker, 'sent something that cannot be read'));
    return made;
  };

  const cancel = (of: Running, id: number) => {
    const call = of.waiting.get(id);
    if (!call) return;
    of.waiting.delete(id);
    of.worker.postMessage({ kind: 'cancel', id }, []);
    call.resolve({ state: 'cancelled' });
  };

  return {
    call: (job, input, { transfer = [], onProgress, latest, signal } = {}) =>
      new Promise((resolve) => {
        if (closed || signal?.aborted) {
          resolve({ state: 'cancelled' });
          return;
        }
        let here: Running;
        try {
          here = running ??= start();
        } catch (error) {
          resolve({
            state: 'failed',
            reason: `The worker for ${name} could not be started (${wordsOf(error)}).`,
          });
          return;
        }
        lastId += 1;
        const id = lastId;
        if (latest !== undefined) {
          const older = newest.get(latest);
          if (older !== undefined) cancel(here, older);
          newest.set(latest, id);
        }
        here.waiting.set(id, { resolve: resolve as Waiting['resolve'], onProgress });
        signal?.addEventListener('abort', () => cancel(here, id), { once: true });
        try {
          here.worker.postMessage({ kind: 'call', id, job, input }, [...transfer]);
        } catch (error) {
          here.waiting.delete(id);
          const reason = `It could not be handed to the worker for ${name} (${wordsOf(error)}).`;
          resolve({ state: 'failed', reason });
        }
      }),
    onEnded: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    end: () => {
      closed = true;
      const was = running;
      running = undefined;
      if (!was) return;
      was.unwatch();
      was.worker.terminate();
      settle(was, { state: 'cancelled' });
    },
  };
};
