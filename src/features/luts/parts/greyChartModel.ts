import type { Profile } from '#core/profile/index.ts';

export type ChartPoint = { readonly stops: number; readonly percent: number };

/** A curve of a LUT over the stops of a profile, in % of the output’s signal, up to the clip. */
export const greyPoints = (
  profile: Profile,
  clipStops: number,
  neutral: (signal: number) => number,
  from = -8,
): ChartPoint[] => {
  const count = Math.round((clipStops - from) * 12);
  return Array.from({ length: count + 1 }, (_, i) => {
    const stops = from + ((clipStops - from) * i) / count;
    return { stops, percent: 100 * neutral(profile.signalAt(stops)) };
  });
};

/** Where two curves over the same stops lie furthest apart, b against a. */
export const furthest = (a: readonly ChartPoint[], b: readonly ChartPoint[]) =>
  a.reduce(
    (worst, point, i) => {
      const by = b[i].percent - point.percent;
      return Math.abs(by) > Math.abs(worst.by) ? { stops: point.stops, by } : worst;
    },
    { stops: 0, by: 0 },
  );
