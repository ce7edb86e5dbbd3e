import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepOffline } from './offline.ts';

/** A worker that goes through the states it is told. */
const worker = () => {
  const target = new EventTarget();
  return Object.assign(target, {
    state: 'installing',
    become(state: string) {
      this.state = state;
      target.dispatchEvent(new Event('statechange'));
    },
  });
};
const registered = (parts: object) =>
  Object.assign(new EventTarget(), { active: null, waiting: null, installing: null, ...parts });

describe('keeping the app offline', () => {
  const register = vi.fn<() => Promise<unknown>>();
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubEnv('NODE_ENV', 'production');
    register.mockReset();
    vi.stubGlobal('navigator', { serviceWorker: { register, controller: null } });
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllEnvs();
    vi.unstubAllGlobals();
  });

  it('is done once where it succeeds', async () => {
    const installing = worker();
    register.mockResolvedValue(registered({ installing }));
    const done = keepOffline();
    await vi.advanceTimersByTimeAsync(0);
    installing.become('installed');
    await done;
    await vi.advanceTimersByTimeAsync(600_000);
    expect(register).toHaveBeenCalledTimes(1);
  });

  it('is tried again when a file does not arrive, each time after twice as long', async () => {
    const workers = [worker(), worker()];
    for (const installing of workers) register.mockResolvedValueOnce(registered({ installing }));
    register.mockResolvedValue(registered({ active: worker() }));
    const done = keepOffline(1000);
    await vi.advanceTimersByTimeAsync(0);
    workers[0]?.become('redundant');
    await done;
    await vi.advanceTimersByTimeAsync(999);
    expect(register).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(1);
    expect(register).toHaveBeenCalledTimes(2);
    workers[1]?.become('redundant');
    await vi.advanceTimersByTimeAsync(1999);
    expect(register).toHaveBeenCalledTimes(2);
    await vi.advanceTimersByTimeAsync(600_000);
    expect(register).toHaveBeenCalledTimes(3);
  });

  it('is tried again when the server does not answer', async () => {
    register.mockRejectedValueOnce(new TypeError('no answer'));
    register.mockResolvedValue(registered({ active: worker() }));
    await keepOffline(1000);
    await vi.advanceTimersByTimeAsync(1000);
    expect(register).toHaveBeenCalledTimes(2);
  });
});
