import { align, type Aligned, type Steps } from './align.ts';
import { clockReadings } from './cameraClock.ts';
import { momentDensity } from './takeMoment.ts';
import type { ClipOnCard, ClockReading, TakeInLog } from './types.ts';

/** How often a clip has no take: hardly ever, but a false start often. Common practice, no source. */
const CLIP_ALONE = 0.08;
const FALSE_START = 0.9;
const FALSE_START_SECONDS = 5;
/** How often a take has no clip at all; where a number is missing on the card, as likely as not. */
const TAKE_ALONE = 0.02;
const TAKE_BEFORE_GAP = 0.5;
/** Density of a moment that says nothing, 1/s: anywhere in ten hours; of a take that has no clip: in half an hour. */
const ANYWHERE = 1 / 36_000;
const NO_CLIP = 1 / 1800;
/** Before the first and after the last clip no number is seen to be missing: density of a take whose clip is, 1/s. */
const MISSING_AT_AN_END = 0.03 / 60;
/** Shortest pause that a missing clip is thought to lie in, seconds. */
const SHORTEST_PAUSE = 20;
/** What a file's name, known from judging, weighs for and against, as a factor. */
const BY_NAME = 1e5;
/** From here on a pair counts as sure. */
export const SURE = 0.99;

/** Name without its ending, for comparing. */
const stem = (name: string) => name.replace(/\.[^.]*$/, '').toLowerCase();
/** The last number in a file's name; undefined where there is none. */
export const numberInName = (name: string): number | undefined => {
  const digits = stem(name).match(/\d+/g)?.at(-1);
  return digits === undefined ? undefined : Number(digits);
};

type Pair = {
  readonly clipId: string;
  readonly takeId: string;
  /** How likely, over all pairings and readings of the clock. */
  readonly probability: number;
  readonly isSure: boolean;
};

export type Pairing = {
  readonly pairs: readonly Pair[];
  /** Likeliest first; one that was given by hand stands alone. Empty where the order alone was gone by. */
  readonly clock: readonly ClockReading[];
};

/** Clips in the order they were recorded: by their start, by the number in their name, by the name. */
const inOrder = (clips: readonly ClipOnCard[]): readonly ClipOnCard[] =>
  [...clips].sort((a, b) => {
    if (a.startedAt !== undefined && b.startedAt !== undefined && a.startedAt !== b.startedAt)
      return a.startedAt - b.startedAt;
    const [x, y] = [numberInName(a.name) ?? 0, numberInName(b.name) ?? 0];
    return x - y || a.name.localeCompare(b.name);
  });

const stepsOf = (clips: readonly ClipOnCard[], takes: readonly TakeInLog[], offset?: number): Steps => {
  const numbers = clips.map(({ name }) => numberInName(name));
  const isGapBefore = (i: number) => {
    const [before, here] = [numbers[i - 1], numbers[i]];
    return before !== undefined && here !== undefined && here - before > 1 && here - before < 20;
  };
  const stems = clips.map(({ name }) => stem(name));
  const onCard = new Set(stems);
  const judgedOn = takes.map(({ file }) =>
    file === undefined || !onCard.has(stem(file)) ? undefined : stem(file),
  );
  /** Density of a take whose clip is missing before the i-th: somewhere in the pause there. */
  const missingAt = (i: number, moment: number): number => {
    if (i === 0 || i === clips.length) return MISSING_AT_AN_END;
    const [before, here] = [clips[i - 1], clips[i]];
    if (!isGapBefore(i) || before.startedAt === undefined || here.startedAt === undefined) return 0;
    const ended = before.startedAt + before.seconds;
    const pause = Math.max(SHORTEST_PAUSE, here.startedAt - ended);
    return moment > ended - 5 && moment < ended + pause + 5 ? TAKE_BEFORE_GAP / pause : 0;
  };
  const aloneOf = ({ seconds }: ClipOnCard) => (seconds < FALSE_START_SECONDS ? FALSE_START : CLIP_ALONE);
  return {
    pair: (i, j) => {
      const { startedAt, seconds } = clips[i];
      const density =
        offset === undefined || startedAt === undefined
          ? ANYWHERE
          : momentDensity(takes[j].loggedAt + offset - startedAt, seconds);
      const name = judgedOn[j] === undefined ? 1 : judgedOn[j] === stems[i] ? BY_NAME : 1 / BY_NAME;
      return (
        Math.log((1 - aloneOf(clips[i])) * (1 - TAKE_ALONE) * name) + Math.log(Math.max(1e-300, density))
      );
    },
    skipFirst: (i) => Math.log(aloneOf(clips[i])),
    skipSecond: (i, j) =>
      Math.log(
        Math.max(TAKE_ALONE * NO_CLIP, offset === undefined ? 0 : missingAt(i, takes[j].loggedAt + offset)),
      ),
  };
};

/** Readings of the clock that are not hopeless beside the best, in log likelihood. */
const HOPELESS = 30;
const likelyOffsets = (clips: readonly ClipOnCard[], takes: readonly TakeInLog[]): readonly number[] => {
  const readings = clockReadings(clips, takes);
  return readings
    .filter(({ logLikelihood }) => logLikelihood > readings[0].logLikelihood - HOPELESS)
    .map(({ offset }) => offset);
};

/**
 * Which clip is which take, for one camera: both in their order, one to one, by when the take was logged, how long the
 * clip is, the name it was judged under and the numbers on the card. The clock is read from the log unless it is given.
 * @param offset camera's clock less ours, seconds, set by hand
 */
export const pairClips = (
  clips: readonly ClipOnCard[],
  takes: readonly TakeInLog[],
  offset?: number,
): Pairing => {
  const rows = inOrder(clips);
  const logged = [...takes].sort((a, b) => a.loggedAt - b.loggedAt);
  const readings = offset === undefined ? likelyOffsets(clips, takes) : [offset];
  const under = (at?: number) => align(rows.length, logged.length, stepsOf(rows, logged, at));
  const tried: readonly { readonly at?: number; readonly aligned: Aligned }[] =
    readings.length === 0 ? [{ aligned: under() }] : readings.map((at) => ({ at, aligned: under(at) }));
  const most = Math.max(...tried.map(({ aligned }) => aligned.logTotal));
  const all = tried.reduce((sum, { aligned }) => sum + Math.exp(aligned.logTotal - most), 0);
  const weighed = tried
    .map((one) => ({ ...one, probability: Math.exp(one.aligned.logTotal - most) / all }))
    .sort((a, b) => b.probability - a.probability);
  const [{ aligned }] = weighed;
  const pairs = rows.flatMap(({ id }, i) => {
    const j = aligned.partner[i];
    if (j < 0) return [];
    const probability = weighed.reduce(
      (sum, one) => sum + one.probability * one.aligned.probability(i, j),
      0,
    );
    return [{ clipId: id, takeId: logged[j].id, probability, isSure: probability >= SURE }];
  });
  const clock = weighed.flatMap(({ at, probability }) =>
    at === undefined ? [] : [{ offset: at, probability }],
  );
  return { pairs, clock };
};
