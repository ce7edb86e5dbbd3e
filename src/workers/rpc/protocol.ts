// Messages between a page and a worker. Types only.

/** Jobs of a worker: input and output of each, by name. */
export type Jobs = Record<string, { readonly input: unknown; readonly output: unknown }>;

export type ToWorker =
  | { readonly kind: 'call'; readonly id: number; readonly job: string; readonly input: unknown }
  | { readonly kind: 'cancel'; readonly id: number };

export type FromWorker =
  | { readonly kind: 'done'; readonly id: number; readonly output: unknown }
  | { readonly kind: 'cancelled'; readonly id: number }
  | { readonly kind: 'failed'; readonly id: number; readonly message: string }
  | { readonly kind: 'progress'; readonly id: number; readonly progress: Progress };

/** How far a job is: a phase in words and 0..1. */
export type Progress = { readonly phase: string; readonly fraction: number };

/** What a call comes to. A call that a newer one overtook, or that was aborted, is `cancelled`. */
export type Outcome<T> = { readonly state: 'done'; readonly output: T } | { readonly state: 'cancelled' };
