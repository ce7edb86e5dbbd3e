/**
 * Long work in parts: whoever drives it may do something else at each yield, or leave it there. Its result is
 * the same, however it is driven.
 */
export type InParts<T> = Generator<void, T>;

/** The same work in one go: a function of parts as a function that returns. */
export const atOnce =
  <A extends readonly unknown[], T>(inParts: (...args: A) => InParts<T>) =>
  (...args: A): T => {
    const work = inParts(...args);
    for (;;) {
      const { done, value } = work.next();
      if (done) return value;
    }
  };
