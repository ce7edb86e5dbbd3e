import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COLOURED_FROM, falseLight, lightColour } from './falseLight.ts';

describe('light as colours', () => {
  it('is grey up to reference white, coloured above, and never darker for more light', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (light) => {
        const [r, g, b] = lightColour(light);
        expect(new Set([r, g, b]).size === 1).toBe(light <= COLOURED_FROM);
        for (const v of [r, g, b]) expect(v >= 0 && v <= 1).toBe(true);
      }),
    );
    const greys = [0, 0.1, 1, 10, 100, 203].map((light) => lightColour(light)[0]);
    expect(greys).toEqual(greys.toSorted((a, b) => a - b));
  });

  it('reads PQ by ST 2084: 203 cd/m2 is 58 %, 1000 is 75 % (BT.2408-7 table 1)', () => {
    const of = falseLight('pq');
    const at = (signal: number) => of([signal, signal, signal]);
    expect(at(0.575)[0]).toBe(at(0.575)[1]);
    expect(at(0.59)[0]).not.toBe(at(0.59)[1]);
    at(0.7518).forEach((v, c) => expect(v).toBeCloseTo(lightColour(1000)[c], 1));
    // One channel is enough: the brightest counts.
    expect(of([0.7518, 0, 0])).toEqual(at(0.7518));
  });
});
