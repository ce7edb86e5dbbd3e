import type { Frame } from '../../frame/frame.ts';
import { codeToSignal } from '../../signal/scale.ts';

/** An upright edge in the middle of a frame; signal fractions. */
export type EdgeStats = {
  readonly dark: number;
  readonly bright: number;
  /** How far the bright side rises over its level beside the edge, and the dark one falls under: parts of the step. */
  readonly over: number;
  readonly under: number;
  /** Pixels in which it rises from a tenth of the step to nine tenths. */
  readonly rise: number;
  /** Rows it is the mean of. */
  readonly rows: number;
};

/** Share of the frame's height that is looked at, about its middle. */
const TALL = 0.3;
/** Smallest step that counts as an edge, signal fraction. Our own choice. */
const LEAST_STEP = 0.12;
/** Pixels beside the edge in which an overshoot lies, and those that tell the level: parts of the width. */
const NEAR = 0.02;
const FAR = [0.04, 0.12] as const;

const meanOf = (line: Float64Array, from: number, to: number): number => {
  const [a, b] = [Math.max(0, Math.round(from)), Math.min(line.length, Math.round(to))];
  let sum = 0;
  for (let i = a; i < b; i += 1) sum += line[i];
  return sum / Math.max(1, b - a);
};

/** Where a line that rises past `at` first reaches a level, pixels; undefined where it does not within `near`. */
const reaches = (line: Float64Array, at: number, near: number, level: number): number | undefined => {
  for (let x = Math.max(1, at - near); x <= Math.min(line.length - 1, at + near); x += 1)
    if (line[x - 1] < level && line[x] >= level) return x - (line[x] - level) / (line[x] - line[x - 1]);
  return undefined;
};

/**
 * The steepest upright edge in the middle third of a frame, as an edge spread function over rows (the idea of ISO
 * 12233's, on an upright edge). @returns undefined where there is none with even sides.
 */
export const edgeAcross = (frame: Frame, luma: Uint16Array): EdgeStats | undefined => {
  const { width, height } = frame;
  const rows = Math.max(1, Math.round(TALL * height));
  const top = Math.round((height - rows) / 2);
  const line = new Float64Array(width);
  for (let row = top; row < top + rows; row += 1)
    for (let x = 0; x < width; x += 1) line[x] += luma[row * width + x];
  for (let x = 0; x < width; x += 1) line[x] = codeToSignal(line[x] / rows, frame);
  const [from, to] = [Math.floor(width / 3), Math.ceil((2 * width) / 3)];
  let at = from;
  for (let x = from; x < to; x += 1)
    if (Math.abs(line[x + 1] - line[x - 1]) > Math.abs(line[at + 1] - line[at - 1])) at = x;
  const side = (sign: -1 | 1) => {
    const [a, b] = [at + sign * FAR[0] * width, at + sign * FAR[1] * width];
    return meanOf(line, Math.min(a, b), Math.max(a, b));
  };
  const [left, right] = [side(-1), side(1)];
  const step = right - left;
  if (Math.abs(step) < LEAST_STEP) return undefined;
  const near = Math.max(3, Math.round(NEAR * width));
  const [bright, dark] = step > 0 ? [right, left] : [left, right];
  let [high, low] = [bright, dark];
  for (let x = Math.max(0, at - near); x <= Math.min(width - 1, at + near); x += 1) {
    high = Math.max(high, line[x]);
    low = Math.min(low, line[x]);
  }
  const size = Math.abs(step);
  const rising = step > 0 ? line : line.toReversed();
  const middle = step > 0 ? at : width - 1 - at;
  const [tenth, nine] = [0.1, 0.9].map((part) => reaches(rising, middle, near, dark + part * size));
  if (tenth === undefined || nine === undefined) return undefined;
  return { dark, bright, over: (high - bright) / size, under: (dark - low) / size, rise: nine - tenth, rows };
};
