import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { FromWorker, ToWorker, WorkerLike } from './protocol.ts';
import { START_MS, watchByLock } from './watch.ts';

type Grant = () => void;

/** Locks as a browser has them: a request waits until the one who holds the name is gone. */
const browserLocks = () => {
  const waiting: { name: string; grant: Grant; signal: AbortSignal }[] = [];
  const request = (name: string, { signal }: { signal: AbortSignal }, grant: Grant) =>
    new Promise<void>((_resolve, reject) => {
      signal.addEventListener('abort', () => reject(new DOMException('', 'AbortError')));
      waiting.push({ name, grant, signal });
    });
  return { waiting, locks: { request } };
};

const worker = () => {
  const sent: ToWorker[] = [];
  let listen: (event: { readonly data: FromWorker }) => void = () => undefined;
  const like: WorkerLike = {
    postMessage: (message) => void sent.push(message),
    addEventListener: (_type, listener) => (listen = listener),
    terminate: () => undefined,
  };
  const lock = () => (sent[0].kind === 'hold' ? sent[0].lock : '');
  return { like, lock, holds: (name = lock()) => listen({ data: { kind: 'holds', lock: name } }) };
};

describe('a worker that is watched', () => {
  const { waiting, locks } = browserLocks();
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('navigator', { locks });
    waiting.length = 0;
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('has ended when its lock comes free', () => {
    const ended = vi.fn();
    const { like, lock, holds } = worker();
    watchByLock(like, ended);
    expect(waiting).toHaveLength(0);
    holds('that of another');
    expect(waiting).toHaveLength(0);
    holds();
    expect(waiting[0].name).toBe(lock());
    vi.advanceTimersByTime(10 * START_MS);
    expect(ended).not.toHaveBeenCalled();
    waiting[0].grant();
    expect(ended).toHaveBeenCalledOnce();
  });

  it('that never begins has ended, too', () => {
    const ended = vi.fn();
    watchByLock(worker().like, ended);
    vi.advanceTimersByTime(START_MS - 1);
    expect(ended).not.toHaveBeenCalled();
    vi.advanceTimersByTime(1);
    expect(ended).toHaveBeenCalledOnce();
  });

  it('is not missed once it is let go on purpose', () => {
    const ended = vi.fn();
    const one = worker();
    const stop = watchByLock(one.like, ended);
    one.holds();
    stop();
    expect(waiting[0].signal.aborted).toBe(true);
    waiting[0].grant();
    watchByLock(worker().like, ended)();
    vi.advanceTimersByTime(10 * START_MS);
    expect(ended).not.toHaveBeenCalled();
  });
});
