import type { Distribution } from './distribution.ts';

// What a meter that averages the whole frame makes of a picture, and what in it pulls that average.

/** What can pull it: places brighter than a white in the key light, and dark ones. A further one is a row. */
export const PULLS = {
  bright: { name: 'sky, lamps and white', holds: (stops: number) => stops > 2.3 },
  dark: { name: 'black and dark ground', holds: (stops: number) => stops < -3 },
} as const;
type PullId = keyof typeof PULLS;
const PULL_IDS = Object.keys(PULLS) as PullId[];

/** So little of a pull nobody asks about, stops. */
const LEAST = 1 / 3;

type Bins = Distribution['bins'];

const meanOf = (bins: Bins): number => {
  let [sum, share] = [0, 0];
  for (const bin of bins) {
    sum += bin.share * 2 ** bin.stops;
    share += bin.share;
  }
  return share > 0 ? Math.log2(sum / share) : Number.NaN;
};

export type FrameMeter = {
  /** What it reads over grey, stops, the body's bias in it. What is clipped counts as clip. */
  readonly shows: number;
  /** What pulls it most: the share of the picture, and stops it moves the reading by. */
  readonly pull?: { readonly id: PullId; readonly share: number; readonly by: number };
};

/** @param bias of the camera's meter, stops; undefined for a picture with nothing in it */
export const frameMeter = ({ bins }: Distribution, bias: number): FrameMeter | undefined => {
  const mean = meanOf(bins);
  if (!Number.isFinite(mean)) return undefined;
  const pulls = PULL_IDS.map((id) => {
    const rest = bins.filter(({ stops }) => !PULLS[id].holds(stops));
    const without = meanOf(rest);
    const share = 1 - rest.reduce((sum, bin) => sum + bin.share, 0);
    return { id, share, by: Number.isFinite(without) ? mean - without : 0 };
  });
  const most = pulls.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a));
  return { shows: mean + bias, ...(Math.abs(most.by) >= LEAST ? { pull: most } : {}) };
};
