import type { Profile } from '../profile/index.ts';

/** What a LUT makes of neutrals, sampled evenly: enough for zebras, the card and its pull. Signals are fractions. */
export type GreyAxis = { readonly from: number; readonly to: number; readonly out: readonly number[] };

/** Over- and undershoot of a legal recording are in it. */
const [FROM, TO] = [-0.1, 1.1];
const POINTS = 601;

export const sampleGreyAxis = (neutral: (signal: number) => number): GreyAxis => ({
  from: FROM,
  to: TO,
  out: Array.from({ length: POINTS }, (_, i) => neutral(FROM + ((TO - FROM) * i) / (POINTS - 1))),
});

/** The function of a sampled axis: straight between its points, level beyond its ends. */
export const compileGreyAxis =
  ({ from, to, out }: GreyAxis) =>
  (signal: number): number => {
    const last = out.length - 1;
    const place = Math.min(last, Math.max(0, ((signal - from) / (to - from)) * last));
    const low = Math.min(last - 1, Math.floor(place));
    return out[low] + (place - low) * (out[low + 1] - out[low]);
  };

/**
 * The lowest stop of a profile whose tone a LUT shows at a signal; at the output's grey it is the LUT's pull
 * on that profile. Where none does, the nearest end of what the profile records.
 */
export const stopsShownAt = (
  { signalAt, clipStops }: Profile,
  neutral: (signal: number) => number,
  signal: number,
): number => {
  let [low, high] = [-12, clipStops];
  for (let i = 0; i < 50; i += 1) {
    const mid = (low + high) / 2;
    if (neutral(signalAt(mid)) < signal) low = mid;
    else high = mid;
  }
  return high;
};
