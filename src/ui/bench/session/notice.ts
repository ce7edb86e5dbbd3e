import type { Result } from '#core/result.ts';
import type { Access, Tell } from './state.ts';

/** What went wrong last, to be shown until it is closed or something opens. */
export const createNotice = ({ set }: Access) => {
  const tell: Tell = (name, failure, options = { isLasting: false }) =>
    set(({ failure: told }) =>
      // What was cut off by a worker's end says so once more; the notice that lasts is not replaced by one
      // that does not.
      told?.isLasting && !options.isLasting && failure.reason.includes(told.reason)
        ? {}
        : { failure: { ...failure, ...options, name } },
    );
  return {
    tell,
    /** Tells a result that is none; a good one tells nothing. */
    say: (name: string, result: Result<unknown>) => {
      if (!result.ok) tell(name, result);
    },
    dismiss: () => set({ failure: undefined }),
  };
};
