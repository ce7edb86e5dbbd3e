import type { WorkerLike } from './protocol.ts';

/** Tells when a worker has ended by itself. @returns a function that stops watching. */
export type Watch = (worker: WorkerLike, ended: () => void) => () => void;

/**
 * A browser ends a worker without a word when it needs the memory. A lock (Web Locks API, W3C) that the worker holds for as long as
 * it lives comes free then, however it ended. Where there are no locks nothing is watched.
 */
export const watchByLock: Watch = (worker, ended) => {
  const locks = globalThis.navigator?.locks;
  if (!locks) return () => undefined;
  const lock = `worker ${crypto.randomUUID()}`;
  const stop = new AbortController();
  worker.addEventListener('message', ({ data }) => {
    if (data.kind !== 'holds' || data.lock !== lock) return;
    locks
      .request(lock, { signal: stop.signal }, () => {
        if (!stop.signal.aborted) ended();
      })
      .catch(() => undefined);
  });
  worker.postMessage({ kind: 'hold', lock }, []);
  return () => stop.abort();
};
