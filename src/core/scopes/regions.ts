import type { Rect } from '../frame/frame.ts';
import { KINDS, type MarkCells } from './marks.ts';

/** Where in the picture something lies, on a coarse grid. */
export type Region = {
  readonly rect: Rect;
  /** Share of the picture's pixels, 0..1. */ readonly share: number;
};

/** Pixels of each cell in which all of `bits` are set. */
const cellCounts = ({ counts, across, down }: MarkCells, bits: number): Uint32Array => {
  const sums = new Uint32Array(across * down);
  for (let kind = bits; kind < KINDS; kind += 1) {
    if ((kind & bits) !== bits) continue;
    for (let cell = 0, at = kind; cell < sums.length; cell += 1, at += KINDS) sums[cell] += counts[at];
  }
  return sums;
};

/**
 * Connected areas in which all of `bits` are set, largest first. A cell (1/48 of the width) belongs to an area when at
 * least a third of it is marked, so scattered points form none.
 */
export const markedRegions = (cells: MarkCells, bits: number): Region[] => {
  const { width, height, cell, across, down } = cells;
  const counts = cellCounts(cells, bits);
  const full = (i: number) => counts[i] * 3 >= cell * cell;
  const seen = new Uint8Array(counts.length);
  const regions: Region[] = [];
  for (let start = 0; start < counts.length; start += 1) {
    if (seen[start] || !full(start)) continue;
    const stack = [start];
    seen[start] = 1;
    let [left, right, top, bottom, marked] = [across, 0, down, 0, 0];
    while (stack.length > 0) {
      const i = stack.pop() as number;
      const cx = i % across;
      const cy = Math.floor(i / across);
      left = Math.min(left, cx);
      right = Math.max(right, cx);
      top = Math.min(top, cy);
      bottom = Math.max(bottom, cy);
      marked += counts[i];
      const neighbours = [cx > 0 ? i - 1 : -1, cx < across - 1 ? i + 1 : -1, i - across, i + across];
      for (const next of neighbours) {
        if (next < 0 || next >= counts.length || seen[next] || !full(next)) continue;
        seen[next] = 1;
        stack.push(next);
      }
    }
    const rect = {
      x: left * cell,
      y: top * cell,
      width: (right - left + 1) * cell,
      height: (bottom - top + 1) * cell,
    };
    regions.push({
      rect: {
        ...rect,
        width: Math.min(rect.width, width - rect.x),
        height: Math.min(rect.height, height - rect.y),
      },
      share: marked / (width * height),
    });
  }
  return regions.sort((a, b) => b.share - a.share);
};

/** Where a rectangle lies, in words: "upper left", "centre", "right edge". */
export const placeWords = (rect: Rect, width: number, height: number): string => {
  const cx = (rect.x + rect.width / 2) / width;
  const cy = (rect.y + rect.height / 2) / height;
  const column = cx < 1 / 3 ? 'left' : cx > 2 / 3 ? 'right' : 'middle';
  const row = cy < 1 / 3 ? 'upper' : cy > 2 / 3 ? 'lower' : 'centre';
  if (column === 'middle') return row === 'centre' ? 'centre' : `${row} middle`;
  return row === 'centre' ? `${column} side` : `${row} ${column}`;
};
