import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { zoomOn } from './zoomOn.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const mark = fc.tuple(share, share, share, share).map(([x, y, w, h]) => ({
  x: x * 0.9,
  y: y * 0.9,
  width: 0.01 + w * (0.99 - x * 0.9),
  height: 0.01 + h * (0.99 - y * 0.9),
}));

describe('what is shown round a mark', () => {
  it('lies in the picture, holds the mark, and puts it where it lies', () => {
    fc.assert(
      fc.property(mark, (of) => {
        const { region, box } = zoomOn(of);
        expect(region.x).toBeGreaterThanOrEqual(0);
        expect(region.x + region.width).toBeLessThanOrEqual(1 + 1e-9);
        expect(region.y + region.height).toBeLessThanOrEqual(1 + 1e-9);
        expect(region.x + box.x * region.width).toBeCloseTo(of.x, 9);
        expect(box.width * region.width).toBeCloseTo(of.width, 9);
        expect(box.x).toBeGreaterThanOrEqual(-1e-9);
        expect(box.x + box.width).toBeLessThanOrEqual(1 + 1e-6);
      }),
    );
  });

  it('is four of its sides wide, in the middle where there is room', () => {
    const { region, box } = zoomOn({ x: 0.45, y: 0.45, width: 0.1, height: 0.1 });
    expect(region).toMatchObject({ width: 0.4, height: 0.4 });
    expect(box.x).toBeCloseTo(0.375, 9);
  });
});
