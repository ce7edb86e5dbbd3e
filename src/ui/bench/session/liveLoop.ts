import type { Result } from '#core/result.ts';

/** What a step of a moving picture came to. */
export type LiveStep = {
  readonly at: number;
  readonly dropped: number;
  /** When a feed’s picture came, ms since 1970. */
  readonly arrivedAt?: number;
};

export type LiveState = {
  /** Frame of a clip, or seconds of a feed. */
  readonly at: number;
  readonly running: boolean;
  /** Pictures shown and left out since it runs. */
  readonly shown: number;
  readonly dropped: number;
  /** How long before it was drawn a feed’s last picture had come, ms. */
  readonly late: number;
};

export const AT_REST: LiveState = { at: 0, running: false, shown: 0, dropped: 0, late: 0 };

/**
 * Steps a moving picture on until it is stopped or fails. The next step is asked for as soon as everything
 * that shows the last one has asked for its part: the worker has it ready while the page still paints, and
 * never more than one is ahead. One that grew old while it waited is left out for a newer one. A step that
 * was under way when it is stopped is still shown, so that what is seen is what is on the bench.
 */
export const runLive = async (
  isStopped: () => boolean,
  step: () => Promise<Result<LiveStep> | undefined>,
  shown: (step: LiveStep) => Promise<void>,
  isOld: (step: LiveStep) => boolean = () => false,
): Promise<Result<undefined> | undefined> => {
  let showing: Promise<void> = Promise.resolve();
  let next = step();
  let left = 0;
  for (;;) {
    const done = await next;
    await showing;
    if (done === undefined) return undefined;
    if (!done.ok) return isStopped() ? undefined : done;
    if (!isStopped() && isOld(done.value)) {
      left += done.value.dropped + 1;
      next = step();
      continue;
    }
    showing = shown({ ...done.value, dropped: done.value.dropped + left });
    left = 0;
    if (isStopped()) {
      await showing;
      return undefined;
    }
    next = step();
  }
};
