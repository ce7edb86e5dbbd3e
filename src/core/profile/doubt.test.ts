import { describe, expect, it } from 'vitest';
import { doubtAt, doubtSays } from './doubt.ts';

const band = {
  stops: [-4, -2, 0, 2, 4],
  signal: [0.04, 0.02, 0, 0.01, 0.02],
  stopsWide: [0.4, 0.2, 0, 0.1, 0.2],
};

describe('the doubt of an inferred curve', () => {
  it.each([
    [-4, 0.4, 0.04],
    [-3, 0.3, 0.03],
    [0, 0, 0],
    [1, 0.05, 0.005],
    [4, 0.2, 0.02],
  ])('at %d it is ±%f stop', (at, stops, signal) => {
    expect(doubtAt(band, at)?.stops).toBeCloseTo(stops, 9);
    expect(doubtAt(band, at)?.signal).toBeCloseTo(signal, 9);
  });

  it('is not known beyond the band, and is none where nothing was inferred', () => {
    expect(doubtAt(band, -4.1)).toBeUndefined();
    expect(doubtAt(band, 4.1)).toBeUndefined();
    expect(doubtAt(undefined, 0)).toBeUndefined();
    expect(doubtSays(undefined)).toBeUndefined();
  });

  it('is told where it is worth a word', () => {
    expect(doubtSays(band)).toBe(
      'curve inferred, uncertain by ±0.40 stop at −4, ±0.20 at −2, ±0.10 at +2, ±0.20 at +4',
    );
    expect(doubtSays({ ...band, stopsWide: [0, 0, 0, 0.01, 0] })).toBeUndefined();
  });
});
