import { describe, expect, it } from 'vitest';
import { frameMeter } from './frameMeter.ts';

const frame = (...parts: readonly (readonly [stops: number, share: number])[]) => ({
  perStop: 6,
  bins: parts.map(([stops, share]) => ({ stops, share })),
});

describe('a meter of the whole frame', () => {
  it('reads the mean of light: half grey and half a stop over it lie 0.58 up', () => {
    expect(frameMeter(frame([0, 1]), 0)?.shows).toBe(0);
    // (1 + 2)/2 = 1.5, log2 = 0.585.
    expect(frameMeter(frame([0, 0.5], [1, 0.5]), 0)?.shows).toBeCloseTo(0.585, 3);
    expect(frameMeter(frame([0, 1]), 0.4)?.shows).toBeCloseTo(0.4);
    expect(frameMeter(frame([0, 1]), 0)?.pull).toBeUndefined();
  });

  it('names what pulls it, by its share', () => {
    // A tenth of sky at +5: (0.9 + 3.2) = 4.1, 2.04 stops up.
    const sky = frameMeter(frame([0, 0.9], [5, 0.1]), 0);
    expect(sky?.shows).toBeCloseTo(2.036, 3);
    expect(sky?.pull).toMatchObject({ id: 'bright' });
    expect(sky?.pull?.by).toBeCloseTo(2.036, 3);
    expect(sky?.pull?.share).toBeCloseTo(0.1);
    const night = frameMeter(frame([0, 0.2], [-6, 0.8]), 0);
    expect(night?.pull?.id).toBe('dark');
    expect(night?.pull?.by).toBeLessThan(-2);
  });

  it('is none of an empty picture, and of one that is all white', () => {
    expect(frameMeter(frame([0, 0]), 0)).toBeUndefined();
    expect(frameMeter(frame([4, 1]), 0)).toEqual({ shows: 4 });
  });
});
