import type { FromWorker, Jobs, Outcome, Progress, ToWorker } from './protocol.ts';

/** A worker as the client needs it. */
export type WorkerLike = {
  postMessage: (message: ToWorker, transfer: Transferable[]) => void;
  addEventListener: (type: 'message', listener: (event: { readonly data: FromWorker }) => void) => void;
};

export type CallOptions = {
  /** Buffers and streams handed over; they are gone here afterwards. */
  readonly transfer?: readonly Transferable[];
  readonly onProgress?: (progress: Progress) => void;
  /** Latest wins: a newer call with the same key cancels this one. */
  readonly latest?: string;
  readonly signal?: AbortSignal;
};

export type Client<J extends Jobs> = {
  /** Runs a job. Rejects only when the job threw; a cancelled call resolves as such. */
  readonly call: <K extends keyof J & string>(
    job: K,
    input: J[K]['input'],
    options?: CallOptions,
  ) => Promise<Outcome<J[K]['output']>>;
};

type Waiting = {
  readonly resolve: (outcome: Outcome<unknown>) => void;
  readonly reject: (error: Error) => void;
  readonly onProgress?: (progress: Progress) => void;
};

export const createClient = <J extends Jobs>(worker: WorkerLike): Client<J> => {
  const waiting = new Map<number, Waiting>();
  const newest = new Map<string, number>();
  let lastId = 0;

  const cancel = (id: number) => {
    const call = waiting.get(id);
    if (!call) return;
    waiting.delete(id);
    worker.postMessage({ kind: 'cancel', id }, []);
    call.resolve({ state: 'cancelled' });
  };

  worker.addEventListener('message', ({ data }) => {
    const call = waiting.get(data.id);
    if (!call) return;
    if (data.kind === 'progress') {
      call.onProgress?.(data.progress);
      return;
    }
    waiting.delete(data.id);
    if (data.kind === 'done') call.resolve({ state: 'done', output: data.output });
    else if (data.kind === 'cancelled') call.resolve({ state: 'cancelled' });
    else call.reject(new Error(data.message));
  });

  return {
    call: (job, input, { transfer = [], onProgress, latest, signal } = {}) =>
      new Promise((resolve, reject) => {
        if (signal?.aborted) {
          resolve({ state: 'cancelled' });
          return;
        }
        lastId += 1;
        const id = lastId;
        if (latest !== undefined) {
          const older = newest.get(latest);
          if (older !== undefined) cancel(older);
          newest.set(latest, id);
        }
        waiting.set(id, { resolve: resolve as Waiting['resolve'], reject, onProgress });
        signal?.addEventListener('abort', () => cancel(id), { once: true });
        worker.postMessage({ kind: 'call', id, job, input }, [...transfer]);
      }),
  };
};
