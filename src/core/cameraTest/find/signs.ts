import { CELLS, type Glance } from './glance.ts';

// Signs by which a shot is known: whether it is dark, even, of many colours, has an edge, looks like the card's view.

export type Signs = {
  /** No light anywhere. */
  readonly dark: boolean;
  /** Luma from the darkest to the brightest cell, signal fraction. */
  readonly span: number;
  /** Standard deviation of luma over the middle cells. */
  readonly uneven: number;
  /** Cells whose channels lie far apart: share of all. */
  readonly colourful: number;
  /** Step of an upright edge through the middle, signal fraction; 0 without one. */
  readonly edge: number;
  /** Luma of each cell. */
  readonly look: readonly number[];
};

/** Channels that lie so far apart are a colour, signal fraction. Log pictures are pale. Our own choice. */
const COLOUR = 0.09;
/** Nothing lies higher in a dark picture, signal fraction; nor apart from the rest. */
const DARK_SPAN = 0.025;
const DARK_MEAN = 0.2;

const luma = (r: number, g: number, b: number) => 0.2126 * r + 0.7152 * g + 0.0722 * b;

const isMiddle = (cell: number) => {
  const [x, y] = [cell % CELLS.across, Math.floor(cell / CELLS.across)];
  return x >= 4 && x < 12 && y >= 2 && y < 7;
};

const deviation = (values: readonly number[]): number => {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length);
};

/** Signs of a hold, by the frame in its middle. */
export const signsOf = (glances: readonly Glance[], perCode: number): Signs => {
  const { cells, edge, card } = glances[Math.floor(glances.length / 2)];
  const look: number[] = [];
  let coloured = 0;
  for (let k = 0; k < cells.length; k += 3) {
    const [r, g, b] = [cells[k], cells[k + 1], cells[k + 2]];
    look.push(luma(r, g, b));
    if (Math.max(r, g, b) - Math.min(r, g, b) > COLOUR) coloured += 1;
  }
  const span = Math.max(...look) - Math.min(...look);
  return {
    dark: span < Math.max(DARK_SPAN, 2 * perCode) && card.signal < DARK_MEAN,
    span,
    uneven: deviation(look.filter((_, cell) => isMiddle(cell))),
    colourful: coloured / look.length,
    edge: edge ? edge.bright - edge.dark : 0,
    look,
  };
};

/** How alike two pictures are in what is bright and what is dark: correlation of their cells, -1..1. */
export const likeness = (a: readonly number[], b: readonly number[]): number => {
  const mean = (v: readonly number[]) => v.reduce((x, y) => x + y, 0) / v.length;
  const [ma, mb] = [mean(a), mean(b)];
  let [ab, aa, bb] = [0, 0, 0];
  a.forEach((v, i) => {
    ab += (v - ma) * (b[i] - mb);
    aa += (v - ma) ** 2;
    bb += (b[i] - mb) ** 2;
  });
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
};
