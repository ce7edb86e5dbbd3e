import { describe, expect, it } from 'vitest';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { CLIP_ALL, CLIP_R, emptyCells, KINDS, markCells, UNDER_FLOOR, type MarkCells } from './marks.ts';
import { measureClipping, measurePatch, measureShadows, measureNearClip } from './measure.ts';
import { markedRegions, placeWords } from './regions.ts';

const flat = (width: number, height: number, code: number, bitDepth = 10): Frame => {
  const plane = new Uint16Array(width * height).fill(code);
  return makeFrame({ width, height, bitDepth, range: 'legal', r: plane, g: plane, b: plane });
};

describe('regions', () => {
  const mask = (width: number, height: number, inside: (x: number, y: number) => boolean): MarkCells => {
    const cells = emptyCells(width, height);
    for (let i = 0; i < width * height; i += 1) {
      const [x, y] = [i % width, Math.floor(i / width)];
      const at = Math.floor(y / cells.cell) * cells.across + Math.floor(x / cells.cell);
      cells.counts[KINDS * at + (inside(x, y) ? CLIP_ALL : 0)] += 1;
    }
    return cells;
  };

  it('finds two areas, the larger first, and leaves scattered points out', () => {
    const marked = mask(
      480,
      270,
      (x, y) => (x < 100 && y < 60) || (x > 400 && y > 200) || (x * 7 + y * 13) % 97 === 0,
    );
    const regions = markedRegions(marked, CLIP_ALL);
    expect(regions).toHaveLength(2);
    expect(regions[0].rect.x).toBe(0);
    expect(placeWords(regions[0].rect, 480, 270)).toBe('upper left');
    expect(placeWords(regions[1].rect, 480, 270)).toBe('lower right');
    expect(regions[0].share).toBeCloseTo((100 * 60) / (480 * 270), 2);
  });

  it.each([
    [{ x: 40, y: 40, width: 20, height: 20 }, 'centre'],
    [{ x: 45, y: 0, width: 10, height: 10 }, 'upper middle'],
    [{ x: 0, y: 45, width: 10, height: 10 }, 'left side'],
  ])('%j is the %s', (rect, words) => expect(placeWords(rect, 100, 100)).toBe(words));
});

describe('levels', () => {
  const frame = makeFrame({
    ...flat(48, 48, 500),
    r: Uint16Array.from({ length: 48 * 48 }, (_, i) => (i < 24 * 48 ? 900 : 500)),
    g: Uint16Array.from({ length: 48 * 48 }, (_, i) => (i < 12 * 48 ? 900 : 500)),
    b: Uint16Array.from({ length: 48 * 48 }, (_, i) => (i < 12 * 48 ? 900 : i >= 36 * 48 ? 0 : 500)),
  });
  const luma = Uint16Array.from({ length: 48 * 48 }, (_, i) => (i >= 36 * 48 ? 70 : 500));

  const marked = (of: Frame, y: Uint16Array, clip: number, floor: number) => {
    const cells = emptyCells(of.width, of.height);
    markCells(of, y, clip, floor, cells);
    return cells;
  };

  it('counts clipping per channel and of all', () => {
    const clipping = measureClipping(marked(frame, luma, 890, 80));
    expect(clipping).toMatchObject({ r: 0.5, g: 0.25, b: 0.25, all: 0.25, some: 0.25 });
    expect(clipping.allRegions[0].rect).toEqual({ x: 0, y: 0, width: 48, height: 12 });
    expect(clipping.channelRegions[0].rect).toEqual({ x: 0, y: 0, width: 48, height: 24 });
  });

  it('counts what lies under the floor', () => {
    const shadows = measureShadows(marked(frame, luma, 890, 80));
    expect(shadows.share).toBe(0.25);
    expect(shadows.regions[0].rect.y).toBe(36);
  });

  it('takes clip at and above its code, floor strictly under its own', () => {
    const one = flat(1, 1, 890);
    expect(marked(one, one.g, 890, 890).counts[CLIP_ALL]).toBe(1);
    expect(marked(one, one.g, 891, 891).counts[CLIP_R]).toBe(0);
    expect(marked(one, one.g, 891, 891).counts[UNDER_FLOOR]).toBe(1);
  });

  it('counts what stands near clip, less what clips', () => {
    const near = measureNearClip(frame, luma, 450, marked(frame, luma, 890, 0));
    expect(near.share).toBeCloseTo(0.5, 6);
    expect(near.region?.height).toBe(48);
  });

  it('averages a patch and cuts it to the picture', () => {
    const reading = measurePatch(frame, luma, {
      id: 'card',
      kind: 'card',
      rect: { x: 40, y: 30, width: 100, height: 100 },
    });
    expect(reading.pixels).toBe(8 * 18);
    expect(reading.luma).toBeCloseTo((6 * 500 + 12 * 70) / 18, 9);
    expect(reading.sd).toBeCloseTo(430 * Math.sqrt((6 / 18) * (12 / 18)), 6);
    expect(reading.r).toBe(500);
  });
});
