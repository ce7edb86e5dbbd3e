import type { KernelExports, KernelName } from './exports.ts';
import { HALVES } from './halves.ts';
import { ROOMS } from './rooms.ts';

/** A second thread with the same functions over the same memory. */
export type Hand = {
  /** It is there and has nothing to do. */
  readonly isFree: () => boolean;
  /** Has it begin; returns at once. */
  readonly ask: (kernel: KernelName, args: readonly number[]) => void;
  /** Returns when it is done. @throws Error when it does not answer; from then on it is not free. */
  readonly wait: () => void;
};

/** Less than this is done before a second thread has woken up. */
const LEAST_PIXELS = 100_000;

/**
 * The kernels done by two threads, each half of the picture; the numbers are the same. What is small, or comes
 * while the second thread is away, is done by one.
 * @param leastPixels from how many on a call is done by two
 */
export const pairedRun = (run: KernelExports, hand: Hand, leastPixels = LEAST_PIXELS): KernelExports => {
  const paired = (kernel: KernelName) => {
    const row = HALVES[kernel];
    const alone = run[kernel];
    if (!row) return alone;
    return (...args: number[]) => {
      if (!hand.isFree() || row.pixels(args) < leastPixels) {
        alone(...args);
        return;
      }
      const [first, second] = row.split(args);
      if (!row.counted) {
        hand.ask(kernel, second);
        alone(...first);
        hand.wait();
        return;
      }
      const { table, length } = row.counted;
      const n = length(args);
      run.clear(ROOMS.secondCounts, 4 * n);
      hand.ask(
        kernel,
        second.map((value, place) => (place === table ? ROOMS.secondCounts : value)),
      );
      alone(...first);
      hand.wait();
      run.add(args[table], ROOMS.secondCounts, n);
    };
  };
  const names = Object.keys(run) as KernelName[];
  return Object.fromEntries(names.map((name) => [name, paired(name)])) as KernelExports;
};
