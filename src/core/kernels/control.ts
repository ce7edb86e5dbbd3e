import type { KernelExports, KernelName } from './exports.ts';
import type { Hand } from './pair.ts';

// How one thread tells another what to do without a message: a few words in memory that both see.

const [STATE, KERNEL, COUNT] = [0, 1, 2];
/** States of the second thread. */
const [AWAY, FREE, ASKED] = [0, 1, 2];
const MOST_ARGS = 24;
const WORDS = 4;
/** Half of the largest picture is done in far less, ms. */
const PATIENCE = 4000;

/**
 * Looks so many times before it goes to sleep, some 0.1 ms: one kernel follows another sooner than a sleeping
 * thread wakes up.
 */
const LOOKS = 30_000;
const isStill = (words: Int32Array, state: number): boolean => {
  for (let n = 0; n < LOOKS; n += 1) if (Atomics.load(words, STATE) !== state) return false;
  return true;
};

/** Words and arguments in one shared buffer. */
const viewsOf = (buffer: SharedArrayBuffer) => ({
  words: new Int32Array(buffer, 0, WORDS),
  args: new Float64Array(buffer, 4 * WORDS, MOST_ARGS),
});

export const controlBuffer = (): SharedArrayBuffer => new SharedArrayBuffer(4 * WORDS + 8 * MOST_ARGS);

/** The side that asks. */
export const handOver = (
  buffer: SharedArrayBuffer,
  names: readonly KernelName[],
  patience = PATIENCE,
): Hand => {
  const { words, args } = viewsOf(buffer);
  return {
    isFree: () => Atomics.load(words, STATE) === FREE,
    ask: (kernel, values) => {
      args.set(values);
      words[KERNEL] = names.indexOf(kernel);
      words[COUNT] = values.length;
      Atomics.store(words, STATE, ASKED);
      Atomics.notify(words, STATE);
    },
    wait: () => {
      while (isStill(words, ASKED)) {
        if (Atomics.wait(words, STATE, ASKED, patience) !== 'timed-out') continue;
        // What comes late is not waited for; everything is done by one thread from here on.
        Atomics.store(words, STATE, AWAY);
        throw new Error('the second thread does not answer');
      }
    },
  };
};

/** The side that is asked: works until `isOver`. Blocks its thread. */
export const serveHand = (
  buffer: SharedArrayBuffer,
  names: readonly KernelName[],
  run: KernelExports,
  isOver: () => boolean = () => false,
): void => {
  const { words, args } = viewsOf(buffer);
  Atomics.store(words, STATE, FREE);
  while (!isOver()) {
    if (isStill(words, FREE)) Atomics.wait(words, STATE, FREE);
    if (Atomics.load(words, STATE) !== ASKED) continue;
    run[names[words[KERNEL]]](...args.subarray(0, words[COUNT]));
    // Only where it is still waited for.
    Atomics.compareExchange(words, STATE, ASKED, FREE);
    Atomics.notify(words, STATE);
  }
};
