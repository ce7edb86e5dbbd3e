import { describe, expect, it } from 'vitest';
import { vectorOutline, waveOutline, OUTLINE_DIRECTIONS } from './outline.ts';
import { waveform } from './waveform.ts';

const CODING = { bitDepth: 8, range: 'legal' } as const;

describe('outlines of scopes', () => {
  it('a waveform’s lines are the levels of its columns, specks left out', () => {
    // Left half at legal black, right half from black to white with one speck at the top code.
    const [width, height] = [4, 200];
    const plane = new Uint16Array(width * height).fill(16);
    for (let y = 0; y < height; y += 1) plane[y * width + 3] = y < height / 2 ? 16 : 235;
    plane[3] = 255;
    const { low, middle, high } = waveOutline(waveform(plane, width, 8, width), CODING);
    expect(low[0]).toBe(0);
    expect(high[0]).toBe(0);
    expect(low[3]).toBe(0);
    expect(high[3]).toBe(1);
    expect([0, 1]).toContain(middle[3]);
  });

  it('a vectorscope’s line lies where its colours end', () => {
    const bins = 256;
    const counts = new Uint32Array(bins * bins);
    // A colour difference of 75 % of blue's full legal swing: Cb at 128 + 0.75 x 112 (BT.709-6, item 4.6).
    counts[128 * bins + 128 + 84] = 1000;
    const line = vectorOutline({ bins, counts }, CODING);
    expect(line).toHaveLength(OUTLINE_DIRECTIONS);
    const reach = line.map(([cb, cr]) => Math.hypot(cb, cr));
    expect(Math.max(...reach)).toBeCloseTo(0.375, 2);
    expect(reach.filter((v) => v > 0)).toHaveLength(1);
    expect(Math.max(...line.map(([cb]) => cb))).toBeCloseTo(0.375, 2);
  });
});
