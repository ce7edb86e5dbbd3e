import type { InParts } from '#core/inParts.ts';

/** Others wait no longer than about this for a job that works in parts, ms. */
const SLICE_MS = 12;

/**
 * Drives long work of the core to its end.
 * @param pause lets others go first, and throws when the call was cancelled: then the work is left where it is
 */
export const drive = async <T>(
  work: InParts<T>,
  pause: () => Promise<void>,
  now: () => number = () => performance.now(),
): Promise<T> => {
  let since = now();
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
    if (now() - since < SLICE_MS) continue;
    await pause();
    since = now();
  }
};
