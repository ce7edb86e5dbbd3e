import type { DriftKind } from './drift.ts';
import type { Minute } from './history.ts';
import { BANDS } from './watch.ts';

/** Minutes that a trend is taken from, and how many there must be. */
const LOOK_BACK = 15;
const LEAST = 5;
/** A trend that would not be told within so many minutes is none to speak of. */
const SOON = 120;

export type Trend = {
  /** Change an hour, in the unit of its kind. */
  readonly anHour: number;
  /** Minutes it was taken from. */
  readonly minutes: number;
  /** Minutes until it is told if it goes on so. */
  readonly toldIn: number;
};

/** Where a slow change is going: a straight line through the last minutes. Undefined where it goes nowhere soon. */
export const trendOf = (minutes: readonly Minute[], kind: DriftKind): Trend | undefined => {
  const last = minutes.at(-1)?.at ?? 0;
  const points = minutes.flatMap(({ at, drift }) =>
    last - at < LOOK_BACK && drift[kind] !== undefined ? [[at, drift[kind]] as const] : [],
  );
  if (points.length < LEAST) return undefined;
  const mean = (of: (point: readonly [number, number]) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [mx, my] = [mean(([x]) => x), mean(([, y]) => y)];
  const over = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0);
  const slope = over / points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  const now = points[points.length - 1][1];
  const { on } = BANDS[kind];
  if (slope === 0 || Math.abs(now) >= on) return undefined;
  const toldIn = (Math.sign(slope) * on - now) / slope;
  return toldIn <= SOON ? { anHour: 60 * slope, minutes: points.length, toldIn } : undefined;
};
