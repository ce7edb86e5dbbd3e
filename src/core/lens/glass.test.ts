import { describe, expect, it } from 'vitest';
import { GLASS_IDS, GLASS_LOSS, knownGlass, stopsBefore } from '../exposure/glassLoss.ts';
import { GLASS, glassSum, glassWarnings, veilStops } from './glass.ts';

const NO_ND = { stops: 0, pieces: 0, hasVariable: false };

describe('glass before the lens', () => {
  it('adds losses, shifts and veils', () => {
    const sum = glassSum(['polariser', 'diffusion4']);
    expect(sum.names).toEqual(['polariser', 'diffusion 1/4']);
    expect(sum.stops).toBeCloseTo(1.65);
    expect(sum.veil).toBe(0.01);
    expect(glassSum([])).toMatchObject({ names: [], stops: 0, veil: 0 });
  });

  it('loses what the trade says of it', () => {
    // A polariser takes 1.3 to 2 stops; diffusion 1/8 about 0.5 %, 1/4 about 1 % of the scene's mean. Common practice.
    expect(GLASS_LOSS.polariser.stops - GLASS.polariser.within).toBeCloseTo(1.3);
    expect(GLASS_LOSS.polariser.stops + GLASS.polariser.within).toBeCloseTo(2);
    expect([GLASS_LOSS.diffusion8.veil, GLASS_LOSS.diffusion4.veil]).toEqual([0.005, 0.01]);
    // 1 % of a scene whose mean lies on grey is 6.6 stops under grey.
    expect(veilStops(0.01, 0)).toBeCloseTo(-6.644, 3);
  });

  it('takes nothing it does not know', () => {
    expect(knownGlass(['polariser', 'sugar', 'polariser'])).toEqual(['polariser']);
    expect(knownGlass('polariser')).toEqual([]);
    expect(knownGlass(undefined)).toEqual([]);
    expect(stopsBefore({ ndStops: 3, glass: ['polariser', 'sugar'] })).toBeCloseTo(4.65);
    expect(stopsBefore({ ndStops: 3, glass: 'polariser' })).toBe(3);
    expect(stopsBefore({ ndStops: 3 })).toBe(3);
  });

  it('warns of what does not go together', () => {
    expect(glassWarnings([], NO_ND, false)).toEqual([]);
    expect(glassWarnings([], { ...NO_ND, stops: 7, pieces: 1 }, false)[0]).toMatch(/infrared/);
    expect(glassWarnings(['infrared'], { ...NO_ND, stops: 7, pieces: 1 }, false)).toEqual([]);
    expect(glassWarnings(['polariser'], { stops: 3, pieces: 1, hasVariable: true }, false)[0]).toMatch(
      /fixed ND/,
    );
    expect(glassWarnings(['redWater'], NO_ND, false)[0]).toMatch(/not under water/);
    expect(glassWarnings(['redWater'], NO_ND, true)).toEqual([]);
    expect(glassWarnings(GLASS_IDS.slice(0, 3), NO_ND, false)[0]).toMatch(/^3 pieces/);
  });
});
