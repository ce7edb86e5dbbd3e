import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile } from '../profile/index.ts';
import { sampleLattice, tetrahedral, trilinear } from './lattice.ts';
import { compileMonitoring, DISPLAY_GREY, monitoringRecipe } from './monitoring.ts';
import { cubeScale, onScale } from './cubeScale.ts';
import { compileRecipe } from './recipe.ts';
import { recipeLattice } from './recipeLattice.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const unit = fc.double({ min: 0, max: 1, noNaN: true });
const triple = fc.tuple(unit, unit, unit);

describe('lattice', () => {
  const affine = ([r, g, b]: Triple): Triple => [0.1 + 0.5 * r + 0.2 * g, g - 0.3 * b, 0.7 * b + 0.1 * r];

  it.each([
    ['tetrahedral', tetrahedral],
    ['trilinear', trilinear],
  ])('%s interpolation is exact for what is linear', (_, read) => {
    const lattice = sampleLattice(5, affine);
    fc.assert(
      fc.property(triple, (rgb) => {
        read(lattice, rgb).forEach((v, i) => expect(v).toBeCloseTo(affine(rgb)[i], 5));
      }),
    );
  });

  it('both read the lattice’s own points and clamp the input', () => {
    const lattice = sampleLattice(9, ([r, g, b]) => [r * r, g * b, Math.sqrt(b)]);
    fc.assert(
      fc.property(fc.tuple(fc.nat(8), fc.nat(8), fc.nat(8)), ([r, g, b]) => {
        const at = 3 * (r + 9 * (g + 9 * b));
        const rgb: Triple = [r / 8, g / 8, b / 8];
        for (const read of [tetrahedral, trilinear]) {
          read(lattice, rgb).forEach((v, c) => expect(v).toBeCloseTo(lattice.data[at + c], 6));
        }
      }),
    );
    expect(tetrahedral(lattice, [2, -1, 0.5])).toEqual(tetrahedral(lattice, [1, 0, 0.5]));
  });

  it('tetrahedral keeps the grey axis on the diagonal, where trilinear mixes in colours', () => {
    const lattice = sampleLattice(2, ([r, g, b]) => [r === g && g === b ? r : 0.9, g, b]);
    expect(tetrahedral(lattice, [0.5, 0.5, 0.5])[0]).toBeCloseTo(0.5, 6);
    expect(trilinear(lattice, [0.5, 0.5, 0.5])[0]).toBeGreaterThan(0.6);
  });

  it('refuses sizes that are none', () => {
    expect(() => sampleLattice(1, affine)).toThrow(RangeError);
    expect(() => sampleLattice(300, affine)).toThrow(/2\.\.129/);
  });
});

describe.each(ARCHETYPE_IDS)('monitoring of %s', (id) => {
  const profile = compileProfile(ARCHETYPES[id]);

  it.each([-1, 0, 1, 2])('with pull %i puts a card of that placement at 45 %', (pullStops) => {
    const { neutral } = compileMonitoring({ profile: ARCHETYPES[id], pullStops });
    expect(neutral(profile.signalAt(pullStops))).toBeCloseTo(DISPLAY_GREY, 6);
  });

  it('never falls along the grey axis, ends at 100 % at the clip and never raises a clipped tone', () => {
    for (const pullStops of [-2, 0, 1 / 3, 1, 2]) {
      const { neutral } = compileMonitoring({ profile: ARCHETYPES[id], pullStops });
      let last = 0;
      for (let signal = -0.07; signal < 1.1; signal += 0.002) {
        const shown = neutral(signal);
        expect(shown).toBeGreaterThanOrEqual(last);
        expect(shown).toBeLessThanOrEqual(1);
        last = shown;
      }
      expect(neutral(profile.clipSignal)).toBe(neutral(profile.clipSignal + 0.05));
      if (profile.clipStops - pullStops > 3) expect(neutral(profile.clipSignal)).toBeCloseTo(1, 3);
    }
  });

  it('keeps neutrals neutral', () => {
    const { rgb } = compileMonitoring({ profile: ARCHETYPES[id], pullStops: 0 });
    fc.assert(
      fc.property(unit, (v) => {
        const [r, g, b] = rgb([v, v, v]);
        expect(r).toBeCloseTo(g, 6);
        expect(b).toBeCloseTo(g, 6);
      }),
    );
  });
});

describe('a monitoring lattice', () => {
  it('is the transform at its points, on both scales', () => {
    const transform = { profile: ARCHETYPES.wideLog, pullStops: 1 };
    for (const scale of ['signal', 'code'] as const) {
      const lattice = recipeLattice(monitoringRecipe(transform), scale, coding, 17);
      const exact = onScale(compileRecipe(monitoringRecipe(transform)).rgb, scale, coding);
      fc.assert(
        fc.property(fc.nat(16), fc.nat(16), fc.nat(16), (r, g, b) => {
          const rgb: Triple = [r / 16, g / 16, b / 16];
          tetrahedral(lattice, rgb).forEach((v, i) => expect(v).toBeCloseTo(exact(rgb)[i], 5));
        }),
        { numRuns: 40 },
      );
    }
  });

  it('keeps legal black and white where they are on the code scale', () => {
    const { toSignal, fromSignal } = cubeScale('code', coding);
    expect(toSignal(64 / 1023)).toBeCloseTo(0, 9);
    expect(fromSignal(1)).toBeCloseTo(940 / 1023, 9);
  });
});
