import { describe, expect, it } from 'vitest';
import { ladderBars, ladderGeometry } from './ladderGeometry.ts';

const wide = ladderGeometry({ width: 208, height: 640 });

describe('the ladder in its box', () => {
  it('has bright above dark, a stop as high everywhere, and holds what lies beyond', () => {
    const steps = [-8, -3, 0, 5, 8].map(wide.y);
    expect(steps[0]).toBe(626);
    expect(steps[4]).toBe(10);
    expect((steps[0] - steps[1]) / 5).toBeCloseTo((steps[2] - steps[3]) / 5, 9);
    expect(wide.y(12)).toBe(10);
    expect(wide.stopsAt(wide.y(2.5))).toBeCloseTo(2.5, 9);
  });

  it('leaves the readings out where there is no room for them, and never gets smaller than can be read', () => {
    expect(wide).toMatchObject({ isNarrow: false, left: 48, right: 152, middle: 100 });
    expect(ladderGeometry({ width: 120, height: 640 })).toMatchObject({
      isNarrow: true,
      left: 34,
      right: 112,
    });
    expect(ladderGeometry({ width: 0, height: 0 })).toMatchObject({ width: 80, height: 300 });
  });

  it('draws a distribution about its middle: the fullest bin all of it, a quarter of that half of it', () => {
    const bins = [
      { stops: -9, share: 0.2 },
      { stops: -1, share: 0.4 },
      { stops: 1, share: 0.1 },
      { stops: 2, share: 0 },
    ];
    const bars = ladderBars({ bins, perStop: 2 }, wide);
    expect(bars.map(({ stops, width }) => [stops, width])).toEqual([
      [-1, 104],
      [1, 52],
    ]);
    expect(bars[0].x).toBe(48);
    expect(bars[1].y).toBeCloseTo(wide.y(1.25), 9);
    expect(bars[1].height).toBeCloseTo(wide.y(0.75) - wide.y(1.25) + 0.4, 9);
  });
});
