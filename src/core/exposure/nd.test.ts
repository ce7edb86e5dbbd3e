import { describe, expect, it } from 'vitest';
import { ND_UNIT_IDS, ND_UNITS, ndChoices } from './nd.ts';

describe('neutral density', () => {
  // Density D is a factor of 10^D (ISO 5-1), a stop is a factor of 2: D / 0.30103 stops, to the digit.
  it.each([
    ['density', 0.3, 0.9965784],
    ['density', 0.9, 2.9897353],
    ['density', 3, 9.9657843],
    ['factor', 1000, 9.9657843],
    ['stops', 10, 10],
    ['factor', 2, 1],
    ['factor', 64, 6],
    ['stops', 2.5, 2.5],
  ] as const)('%s %f is %f stops', (unit, written, stops) => {
    expect(ND_UNITS[unit].toStops(written)).toBeCloseTo(stops, 7);
  });

  it('an odd density counts by its logarithm', () => {
    expect(ND_UNITS.density.toStops(1)).toBeCloseTo(3.3219, 4);
  });

  it('comes back as it was written', () => {
    for (const unit of ND_UNIT_IDS)
      for (const stops of [1, 2, 3, 6, 10, 10 / 3])
        expect(ND_UNITS[unit].toStops(ND_UNITS[unit].fromStops(stops))).toBeCloseTo(stops, 9);
    for (const density of [0.3, 0.6, 0.9, 1.2, 1.8, 3, 0.15])
      expect(ND_UNITS.density.print(ND_UNITS.density.toStops(density))).toBe(`ND ${density}`);
    // A glass noted in whole stops is printed as it is marked.
    expect(ND_UNITS.density.print(3)).toBe('ND 0.9');
    expect(ND_UNITS.density.print(10)).toBe('ND 3');
    expect(ND_UNITS.factor.print(3)).toBe('ND8');
    expect(ND_UNITS.stops.print(10 / 3)).toBe('3 1/3 stops');
  });

  it('offers each filter, or thirds of a stop as it turns', () => {
    const fixed = { id: 'f', name: 'squares', kind: 'fixed', unit: 'density', stops: [6, 3] } as const;
    expect(ndChoices(fixed).map(({ name }) => name)).toEqual(['ND 0.9  squares', 'ND 1.8  squares']);
    const turning = { id: 'v', name: 'variable', kind: 'variable', unit: 'stops', stops: [2, 5] } as const;
    const all = ndChoices(turning);
    expect(all).toHaveLength(10);
    expect(all[9].stops).toBeCloseTo(5, 9);
  });
});
