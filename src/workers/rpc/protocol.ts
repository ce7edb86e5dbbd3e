// Messages between a page and a worker. Types only.

/** Jobs of a worker: input and output of each, by name. */
export type Jobs = Record<string, { readonly input: unknown; readonly output: unknown }>;

export type ToWorker =
  | { readonly kind: 'call'; readonly id: number; readonly job: string; readonly input: unknown }
  | { readonly kind: 'cancel'; readonly id: number }
  /** Asks the worker to hold a lock of this name for as long as it lives. */
  | { readonly kind: 'hold'; readonly lock: string };

export type FromWorker =
  | { readonly kind: 'done'; readonly id: number; readonly output: unknown }
  | { readonly kind: 'cancelled'; readonly id: number }
  | { readonly kind: 'failed'; readonly id: number; readonly message: string }
  | { readonly kind: 'progress'; readonly id: number; readonly progress: Progress }
  | { readonly kind: 'holds'; readonly lock: string };

/** How far a job is: a phase in words and 0..1. */
export type Progress = { readonly phase: string; readonly fraction: number };

/**
 * What a call comes to; it always comes to one of them. `cancelled`: overtaken by a newer one, or aborted.
 * `failed`: the job threw, or its worker ended; `reason` is a sentence.
 */
export type Outcome<T> =
  | { readonly state: 'done'; readonly output: T }
  | { readonly state: 'cancelled' }
  | { readonly state: 'failed'; readonly reason: string };

/** A worker as the client needs it. */
export type WorkerLike = {
  postMessage: (message: ToWorker, transfer: Transferable[]) => void;
  addEventListener: (
    type: 'message' | 'error' | 'messageerror',
    listener: (event: {
      readonly data: FromWorker;
      readonly message?: string;
      readonly preventDefault?: () => void;
    }) => void,
  ) => void;
  terminate: () => void;
};
