import { describe, expect, it } from 'vitest';
import { makeFrame } from '../frame/frame.ts';
import { gaussian, seededRandom } from '../random.ts';
import { readCard } from './cardReading.ts';

const coding = { bitDepth: 10, range: 'full' } as const;
const [width, height] = [80, 60];
const frameOf = (code: (x: number, y: number) => number) => {
  const plane = Uint16Array.from({ length: width * height }, (_, i) =>
    Math.min(1023, Math.max(0, Math.round(code(i % width, Math.floor(i / width))))),
  );
  return makeFrame({ width, height, ...coding, r: plane, g: plane, b: plane });
};
const whole = { x: 0.1, y: 0.1, width: 0.8, height: 0.8 };

describe('a card read off a frame', () => {
  it('is its mean in signal, wherever the mark lies', () => {
    const reading = readCard(
      frameOf((x) => (x < 40 ? 300 : 600)),
      { x: 0.55, y: 0.1, width: 0.4, height: 0.5 },
    );
    expect(reading.signal).toBeCloseTo(600 / 1023, 9);
    expect(reading.channels).toEqual([reading.signal, reading.signal, reading.signal]);
    expect(reading.deviation).toBe(0);
  });

  it('finds the noise put in, though the light falls off across the card', () => {
    const normal = gaussian(seededRandom(3));
    for (const sigma of [1.5, 6]) {
      const reading = readCard(
        frameOf((x, y) => 400 + 0.8 * x - 0.5 * y + sigma * normal()),
        whole,
      );
      // 3072 pixels: the deviation is known to about 1.3 %.
      expect(Math.abs((reading.deviation * 1023) / sigma - 1)).toBeLessThan(0.05);
    }
  });

  it('says how much of the card is at the top code', () => {
    expect(
      readCard(
        frameOf((x) => (x % 2 === 0 ? 1023 : 900)),
        whole,
      ).atTop,
    ).toBeCloseTo(0.5, 9);
  });
});
