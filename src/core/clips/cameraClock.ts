import { momentDensity, REACH } from './takeMoment.ts';
import type { ClipOnCard, TakeInLog } from './types.ts';

/** Seconds that a bin of the votes spans. */
const BIN = 30;
/** Readings of the clock that are looked at closely, and the steps they are looked at in, seconds. */
const PEAKS = 12;
const STEPS = [10, 2, 0.5] as const;
/** Readings closer than this are one. */
const APART = 90;
/** Density of a take that has no clip: anywhere in ten hours. */
const ANYWHERE = 1 / 36_000;

type Timed = ClipOnCard & { readonly startedAt: number };
const isTimed = (clip: ClipOnCard): clip is Timed => clip.startedAt !== undefined;

/** Clips with a start time, in its order. */
const timed = (clips: readonly ClipOnCard[]): readonly Timed[] =>
  clips.filter(isTimed).sort((a, b) => a.startedAt - b.startedAt);

/** Votes of every pair of clip and take for the bins of the offset under which one may be the other's. */
const votesOf = (clips: readonly Timed[], takes: readonly TakeInLog[]): ReadonlyMap<number, number> => {
  const votes = new Map<number, number>();
  for (const { startedAt, seconds } of clips)
    for (const { loggedAt } of takes) {
      const least = startedAt - REACH.before / 3 - loggedAt;
      const most = startedAt + seconds + REACH.after / 3 - loggedAt;
      for (let bin = Math.floor(least / BIN); bin <= Math.floor(most / BIN); bin += 1) {
        const after = (bin + 0.5) * BIN + loggedAt - startedAt;
        votes.set(bin, (votes.get(bin) ?? 0) + momentDensity(after, seconds));
      }
    }
  return votes;
};

/** Index of the first clip that starts at or after a moment. */
const firstFrom = (clips: readonly Timed[], moment: number): number => {
  let [low, high] = [0, clips.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (clips[middle].startedAt < moment) low = middle + 1;
    else high = middle;
  }
  return low;
};

/** Log likelihood of an offset: each take with the clip that explains it best. */
const likelihoodOf = (
  clips: readonly Timed[],
  takes: readonly TakeInLog[],
  offset: number,
  longest: number,
): number => {
  let sum = 0;
  for (const { loggedAt } of takes) {
    const moment = loggedAt + offset;
    let best = ANYWHERE / 10;
    for (let i = firstFrom(clips, moment - longest - REACH.after); i < clips.length; i += 1) {
      if (clips[i].startedAt > moment + REACH.before) break;
      best = Math.max(best, momentDensity(moment - clips[i].startedAt, clips[i].seconds));
    }
    sum += Math.log(best);
  }
  return sum;
};

/**
 * How a camera's clock stands against ours, from the log itself: every pair of a clip and a take votes for the
 * offsets under which one may be the other's; the best are looked at closely. Likeliest first, at most three; empty
 * where no clip has a start time or there is no take.
 * @param clips of one camera @param takes of the same camera
 */
export const clockReadings = (
  clips: readonly ClipOnCard[],
  takes: readonly TakeInLog[],
): readonly { readonly offset: number; readonly logLikelihood: number }[] => {
  const inOrder = timed(clips);
  if (inOrder.length === 0 || takes.length === 0) return [];
  const longest = Math.max(...inOrder.map(({ seconds }) => seconds));
  const at = (offset: number) => ({ offset, logLikelihood: likelihoodOf(inOrder, takes, offset, longest) });
  const nearer = (start: number, step: number, reach: number) => {
    let best = at(start);
    for (let off = -reach; off <= reach; off += step) {
      const other = at(start + off);
      if (other.logLikelihood > best.logLikelihood) best = other;
    }
    return best;
  };
  const peaks = [...votesOf(inOrder, takes)].sort(([, a], [, b]) => b - a).slice(0, PEAKS);
  const found = peaks
    .map(([bin]) =>
      STEPS.reduce(
        (best, step, i) => nearer(best.offset, step, i === 0 ? 2 * BIN : 2 * STEPS[i - 1]),
        at((bin + 0.5) * BIN),
      ),
    )
    .sort((a, b) => b.logLikelihood - a.logLikelihood);
  return found
    .filter((one, i) => !found.slice(0, i).some(({ offset }) => Math.abs(offset - one.offset) < APART))
    .slice(0, 3);
};
