import { quantile } from '../maths/quantile.ts';

/** From one hue to another the shorter way round, degrees: −180 to 180. */
export const hueApart = (from: number, to: number): number => ((((to - from) % 360) + 540) % 360) - 180;

/** The middle of hues that lie near each other, degrees. */
export const middleHue = (hues: readonly number[]): number => {
  const [first] = hues;
  const off = hues.map((hue) => hueApart(first, hue));
  return (first + quantile(off, 0.5) + 360) % 360;
};

/** Narrowest and widest range that hues are put in, degrees. Our own. */
const WIDTHS = [30, 100] as const;

/** A range that holds nine tenths of each group of hues, in whole degrees. */
export const rangeOfHues = (
  groups: readonly (readonly number[])[],
): { readonly hue: number; readonly width: number } => {
  const [first] = groups.map(middleHue);
  const off = groups.map((hues) => hues.map((hue) => hueApart(first, hue)));
  const low = Math.min(...off.map((one) => quantile(one, 0.05)));
  const high = Math.max(...off.map((one) => quantile(one, 0.95)));
  return {
    hue: Math.round((first + (low + high) / 2 + 360) % 360),
    width: Math.round(Math.min(WIDTHS[1], Math.max(WIDTHS[0], high - low))),
  };
};
