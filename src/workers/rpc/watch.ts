import type { WorkerLike } from './protocol.ts';

/** Tells when a worker has ended by itself. @returns a function that stops watching. */
export type Watch = (worker: WorkerLike, ended: () => void) => () => void;

/** A worker that has not begun after this long does not begin any more, ms: its script lies on this machine. */
export const START_MS = 20_000;

/**
 * A browser ends a worker without a word when it needs the memory. A lock (Web Locks API, W3C) that the
 * worker holds for as long as it lives comes free then, however it ended; one that was ended before it could
 * hold the lock is missed when it does not begin.
 */
export const watchByLock: Watch = (worker, ended) => {
  const lock = `worker ${crypto.randomUUID()}`;
  const stop = new AbortController();
  const late = setTimeout(ended, START_MS);
  worker.addEventListener('message', ({ data }) => {
    if (data.kind !== 'holds' || data.lock !== lock) return;
    clearTimeout(late);
    globalThis.navigator?.locks
      ?.request(lock, { signal: stop.signal }, () => {
        if (!stop.signal.aborted) ended();
      })
      .catch(() => undefined);
  });
  worker.postMessage({ kind: 'hold', lock }, []);
  return () => {
    clearTimeout(late);
    stop.abort();
  };
};
