import type { Frame } from '../frame/frame.ts';

/** Mark bits of a pixel: a channel at or over clip, luma under the floor. */
export const CLIP_R = 1;
export const CLIP_G = 2;
export const CLIP_B = 4;
export const CLIP_ALL = 7;
export const UNDER_FLOOR = 8;
/** Combinations of the bits. */
export const KINDS = 16;

/** Marks counted in square cells of the picture: counts[KINDS * cell + bits]. */
export type MarkCells = {
  readonly width: number;
  readonly height: number;
  /** Pixels a side; cells at the right and lower edge may be cut. */
  readonly cell: number;
  readonly across: number;
  readonly down: number;
  readonly counts: Uint32Array;
};

const CELLS_ACROSS = 48;

/** Room for the marks of a frame, all zero. */
export const emptyCells = (width: number, height: number): MarkCells => {
  const cell = Math.max(1, Math.round(width / CELLS_ACROSS));
  const across = Math.ceil(width / cell);
  const down = Math.ceil(height / cell);
  return { width, height, cell, across, down, counts: new Uint32Array(KINDS * across * down) };
};

/**
 * Counts each pixel by whether its channels stand at or over `clipCode` and its luma under `floorCode`. The
 * plain form.
 */
export const markCells = (
  { r, g, b }: Frame,
  luma: Uint16Array,
  clipCode: number,
  floorCode: number,
  { width, height, cell, across, counts }: MarkCells,
): void => {
  for (let y = 0; y < height; y += 1) {
    const base = Math.floor(y / cell) * across;
    for (let column = 0; column < across; column += 1) {
      const end = y * width + Math.min(width, (column + 1) * cell);
      const at = KINDS * (base + column);
      for (let i = y * width + column * cell; i < end; i += 1) {
        const bits =
          (r[i] >= clipCode ? CLIP_R : 0) |
          (g[i] >= clipCode ? CLIP_G : 0) |
          (b[i] >= clipCode ? CLIP_B : 0) |
          (luma[i] < floorCode ? UNDER_FLOOR : 0);
        counts[at + bits] += 1;
      }
    }
  }
};

/** Pixels of the picture that carry a mark, by the combination of bits. */
export const markTotals = ({ counts }: MarkCells): Uint32Array => {
  const totals = new Uint32Array(KINDS);
  for (let i = 0; i < counts.length; i += 1) totals[i & (KINDS - 1)] += counts[i];
  return totals;
};
