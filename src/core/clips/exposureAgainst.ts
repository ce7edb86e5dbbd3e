/** How a picture spreads: shares by bins of equal height in stops, the darkest first. */
export type Spread = { readonly shares: readonly number[]; readonly perStop: number; readonly from: number };

/** Shares of the picture that are compared: its ends clip or drown in noise. Our own. */
const SHARES = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9] as const;

/** The stop under which a share of the picture lies, within a bin by its own share. */
const stopAt = ({ shares, perStop, from }: Spread, share: number): number => {
  const all = shares.reduce((sum, one) => sum + one, 0);
  let sum = 0;
  for (const [bin, one] of shares.entries()) {
    if (one > 0 && sum + one >= share * all) return from + (bin + (share * all - sum) / one) / perStop;
    sum += one;
  }
  return from + shares.length / perStop;
};

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
};

/** Stops a picture is exposed over (+) another, and how far its parts disagree about it. */
export type ExposureEstimate = { readonly stops: number; readonly spread: number };

/**
 * How much more a picture was exposed than another of the same set-up, where no card is seen: the median of what its
 * darker and brighter tenths lie apart. An estimate: what moved in the frame counts as exposure. `spread` is the
 * median deviation times 1.48, a standard deviation where the tenths were normal (Hampel 1974), and half a bin at
 * least. Undefined for an empty picture.
 */
export const exposureAgainst = (picture: Spread, hero: Spread): ExposureEstimate | undefined => {
  if (![picture, hero].every(({ shares }) => shares.some((share) => share > 0))) return undefined;
  const apart = SHARES.map((share) => stopAt(picture, share) - stopAt(hero, share));
  const stops = median(apart);
  const spread = 1.48 * median(apart.map((one) => Math.abs(one - stops)));
  return { stops, spread: Math.max(spread, 0.5 / picture.perStop) };
};
