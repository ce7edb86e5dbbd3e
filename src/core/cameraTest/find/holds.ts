import { quantile } from '../../maths/quantile.ts';
import type { CardStats, Glance } from './glance.ts';
import { signsOf, type Signs } from './signs.ts';

// A clip falls into holds: times in which the picture stays as it is. Between them a hand covers the lens, a dial is
// turned.

/** A time in which the picture stays as it is. */
export type Hold = {
  readonly id: string;
  readonly clip: string;
  /** Seconds in the clip. */
  readonly from: number;
  readonly to: number;
  readonly glances: readonly Glance[];
  readonly signs: Signs;
  /** The card over the hold: middle values of its frames. */
  readonly card: CardStats;
  /** How far the card moves from its beginning to its end: signal, and blue less red. */
  readonly moves: { readonly signal: number; readonly colour: number };
};

/** A clip as it was looked at. */
export type LookedAt = {
  readonly name: string;
  readonly glances: readonly Glance[];
  /** Signal of a code step: what cannot be told apart. */
  readonly perCode: number;
};

/** A change that is none, signal fraction: compression breathes. Our own choice, tried on the stage. */
const STILL = 0.0045;
/** A cell's noise in its mean counts for so many standard deviations. */
const NOISY = 4;
/** Cells that may move without anybody having touched the camera: a hand goes through the frame. */
const FEW = 0.25;
/** Frames of a hold at least, where a clip has more than one. */
const LEAST = 3;
/** Seconds a hand covers the lens at most; what is dark for longer was meant. */
const COVERED = 2;

/** Pixels whose mean is compared, of the card's: as many as a cell of a usual frame has. */
const CARD_SHARE = 0.06;

/** How far two frames are apart: the larger of what the card does and what most cells do. */
const apart = (a: Glance, b: Glance): number => {
  const cells = a.cells.map((v, i) => Math.abs(v - b.cells[i]));
  const card = Math.max(
    Math.abs(a.card.signal - b.card.signal),
    ...a.card.channels.map((v, c) => Math.abs(v - b.card.channels[c])),
  );
  return Math.max(card, quantile(cells, 1 - FEW));
};

const noiseOf = ({ card }: Glance): number =>
  (NOISY * card.spatial) / Math.sqrt(CARD_SHARE * card.pixels + 1);

const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)] : (sorted[half - 1] + sorted[half]) / 2;
};

const cardOver = (glances: readonly Glance[]): CardStats => {
  const of = (pick: (card: CardStats) => number) => middle(glances.map(({ card }) => pick(card)));
  // The first of a hold differs from the frame before by more than noise.
  const temporal = glances.slice(1).flatMap(({ card }) => card.temporal ?? []);
  const mean = (values: readonly number[]) =>
    Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);
  type Channels = CardStats['channels'];
  const triple = (pick: (card: CardStats) => Channels): Channels => [
    of((card) => pick(card)[0]),
    of((card) => pick(card)[1]),
    of((card) => pick(card)[2]),
  ];
  return {
    signal: of(({ signal }) => signal),
    channels: triple(({ channels }) => channels),
    halves: glances[0].card.halves.map((_, k) => triple(({ halves }) => halves[k])),
    spatial: mean(glances.map(({ card }) => card.spatial)),
    ...(temporal.length > 0 ? { temporal: mean(temporal) } : {}),
    neighbours: of(({ neighbours }) => neighbours),
    spectrum: glances[0].card.spectrum.map((_, k) => of(({ spectrum }) => spectrum[k] ?? 1)),
    atTop: of(({ atTop }) => atTop),
    atBottom: of(({ atBottom }) => atBottom),
    bands: glances[0].card.bands,
    pixels: glances[0].card.pixels,
  };
};

/** A hold of the frames of a clip from one to another. */
export const holdOf = (clip: string, glances: readonly Glance[], perCode: number): Hold => {
  const [first, last] = [glances[0], glances[glances.length - 1]];
  const blueLessRed = ({ card }: Glance) => card.channels[2] - card.channels[0];
  return {
    id: `${clip} ${first.at.toFixed(2)}`,
    clip,
    from: first.at,
    to: last.at,
    glances,
    signs: signsOf(glances, perCode),
    card: cardOver(glances),
    moves: {
      signal: last.card.signal - first.card.signal,
      colour: blueLessRed(last) - blueLessRed(first),
    },
  };
};

/** Frames of a clip in runs that stay as they are. */
const runsOf = ({ glances, perCode }: LookedAt): Glance[][] => {
  const runs: Glance[][] = [];
  glances.forEach((glance, i) => {
    const before = glances[i - 1];
    const still =
      before && apart(before, glance) <= Math.max(STILL, perCode, noiseOf(before), noiseOf(glance));
    if (still) runs[runs.length - 1].push(glance);
    else runs.push([glance]);
  });
  return runs;
};

/**
 * The holds of clips in the order given. What is too short, and what is dark only as long as a hand covers the lens
 * between two shots of one file, is left out; a clip that holds nothing else gives its longest.
 */
export const holdsOf = (clips: readonly LookedAt[]): readonly Hold[] =>
  clips.flatMap((clip) => {
    if (clip.glances.length === 0) return [];
    const runs = runsOf(clip);
    const holds = runs
      .filter((run) => run.length >= LEAST)
      .map((run) => holdOf(clip.name, run, clip.perCode));
    const isCover = ({ signs, from, to }: Hold) => signs.dark && to - from < COVERED;
    const kept = holds.filter((hold) => holds.length === 1 || !isCover(hold));
    if (kept.length > 0) return kept;
    const longest = runs.reduce((a, b) => (b.length > a.length ? b : a));
    return [holdOf(clip.name, longest, clip.perCode)];
  });
