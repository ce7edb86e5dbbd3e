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

type WaitAsync = (words: Int32Array, at: number, value: number) => { readonly value: unknown };

/** Until there is something to do; other messages are heard meanwhile where the browser can wait so. */
const rest = async (words: Int32Array): Promise<void> => {
  const { waitAsync } = Atomics as { readonly waitAsync?: WaitAsync };
  if (waitAsync) await waitAsync(words, STATE, FREE).value;
  else Atomics.wait(words, STATE, FREE);
};

/** The side that is asked: works for as long as its thread lives. */
export const serveHand = async (
  buffer: SharedArrayBuffer,
  names: readonly KernelName[],
  run: KernelExports,
): Promise<never> => {
  const { words, args } = viewsOf(buffer);
  Atomics.store(words, STATE, FREE);
  for (;;) {
    if (isStill(words, FREE)) await rest(words);
    if (Atomics.load(words, STATE) !== ASKED) continue;
    run[names[words[KERNEL]]](...args.subarray(0, words[COUNT]));
    // Only where it is still waited for.
    Atomics.compareExchange(words, STATE, ASKED, FREE);
    Atomics.notify(words, STATE);
  }
};
