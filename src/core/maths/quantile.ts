/** The value under which a share (0..1) of a list lies; NaN of an empty one. */
export const quantile = (values: readonly number[], share: number): number => {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
};

/** The middle one; of an even number of them the upper. NaN of an empty list. */
export const median = (values: readonly number[]): number => quantile(values, 0.5);
