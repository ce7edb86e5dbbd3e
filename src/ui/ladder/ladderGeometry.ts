import type { Size } from '../parts/useSize.ts';
import { LADDER_RANGE } from './ladderModel.ts';

/** Below this width the readings go and the marks stay. */
const NARROW = 150;
const PAD = { top: 10, bottom: 14 } as const;

/** Where things lie on the ladder, CSS pixels. */
export type LadderGeometry = {
  readonly width: number;
  readonly height: number;
  /** Too narrow for the readings beside the bar. */
  readonly isNarrow: boolean;
  readonly left: number;
  readonly right: number;
  readonly middle: number;
  /** Height of a stop over grey, held to the ladder. */
  readonly y: (stops: number) => number;
  readonly stopsAt: (y: number) => number;
};

/** The ladder laid into its box; a box that is smaller is drawn as the least that can be read. */
export const ladderGeometry = (box: Size): LadderGeometry => {
  const width = Math.max(80, box.width);
  const height = Math.max(300, box.height);
  const isNarrow = width < NARROW;
  const [left, right] = isNarrow ? [34, width - 8] : [48, width - 56];
  // Worked out here: a scale of the chart library is 16 kB, and the ladder is on every first screen.
  const [lowest, highest] = LADDER_RANGE;
  const foot = height - PAD.bottom;
  const perStop = (foot - PAD.top) / (highest - lowest);
  const held = (stops: number) => Math.min(highest, Math.max(lowest, stops));
  return {
    width,
    height,
    isNarrow,
    left,
    right,
    middle: (left + right) / 2,
    y: (stops) => foot - (held(stops) - lowest) * perStop,
    stopsAt: (y) => held(lowest + (foot - y) / perStop),
  };
};

/**
 * Bars of a distribution about the middle of the ladder, their width by the square root of the share, the
 * widest the whole bar.
 */
export const ladderBars = (
  {
    bins,
    perStop,
  }: {
    readonly bins: readonly { readonly stops: number; readonly share: number }[];
    readonly perStop: number;
  },
  { left, right, middle, y }: LadderGeometry,
) => {
  const peak = Math.max(1e-9, ...bins.map(({ share }) => share));
  return bins
    .filter(({ stops, share }) => share > 1e-5 && stops >= LADDER_RANGE[0] && stops <= LADDER_RANGE[1])
    .map(({ stops, share }) => {
      const width = Math.sqrt(share / peak) * (right - left);
      const top = y(stops + 0.5 / perStop);
      return { stops, x: middle - width / 2, width, y: top, height: y(stops - 0.5 / perStop) - top + 0.4 };
    });
};
