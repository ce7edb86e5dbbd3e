/** Milliseconds since 1970, finer than `Date` and the same in page and worker. */
export const since1970 = (): number => performance.timeOrigin + performance.now();
