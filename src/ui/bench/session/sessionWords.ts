/** Said once when the compiled pixel loops are not there. */
export const slowKernels = (why = 'no reason given'): string =>
  `The fast form could not be loaded (${why}): pictures and scopes are slower, their numbers the same.`;
