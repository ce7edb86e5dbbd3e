/** How the picture's pixels spread over stops: bins of `perStop` to a stop. */
export type Distribution = {
  readonly bins: readonly { readonly stops: number; readonly share: number }[];
  readonly perStop: number;
};

const DISTRIBUTION_RANGE = [-10, 10] as const;

/**
 * A luma histogram turned to stops. A level covers the stops from half a level under to half a level over it and is
 * spread over the bins in between, so that sparse codes in the shadows do not comb.
 */
export const stopsDistribution = (
  histogram: Uint32Array,
  stopsOfLevel: (level: number) => number,
  perStop = 6,
): Distribution => {
  const [low, high] = DISTRIBUTION_RANGE;
  const counts = new Float64Array((high - low) * perStop);
  const total = histogram.reduce((sum, n) => sum + n, 0);
  const place = (stops: number) => Math.min(counts.length - 1e-6, Math.max(0, (stops - low) * perStop));
  histogram.forEach((n, level) => {
    if (n === 0) return;
    const from = place(stopsOfLevel(level - 0.5));
    const to = Math.max(from + 1e-6, place(stopsOfLevel(level + 0.5)));
    for (let bin = Math.floor(from); bin <= Math.floor(to) && bin < counts.length; bin += 1) {
      const overlap = Math.min(to, bin + 1) - Math.max(from, bin);
      if (overlap > 0) counts[bin] += (n * overlap) / (to - from);
    }
  });
  return {
    perStop,
    bins: Array.from(counts, (count, bin) => ({
      stops: low + (bin + 0.5) / perStop,
      share: total ? count / total : 0,
    })),
  };
};

/** The stop under which `share` (0..1) of the picture's pixels lie. */
export const distributionQuantile = ({ bins }: Distribution, share: number): number => {
  let sum = 0;
  for (const bin of bins) {
    sum += bin.share;
    if (sum >= share) return bin.stops;
  }
  return bins.at(-1)?.stops ?? 0;
};
