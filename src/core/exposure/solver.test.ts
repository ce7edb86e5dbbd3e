import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactFNumber, F_NUMBERS } from './aperture.ts';
import { ISO_SPEEDS } from './iso.ts';
import { luminanceFor } from './meter.ts';
import {
  flickerSafe,
  ndNeeded,
  ndStacks,
  recordedStops,
  solveExposure,
  type ExposureChoices,
} from './solver.ts';
import type { Shutter } from './shutter.ts';

const HALF: Shutter = { kind: 'angle', degrees: 180 };

const bag = [
  { id: 's', name: 'squares', kind: 'fixed', unit: 'density', stops: [1, 2, 3, 6] },
  { id: 'v', name: 'variable', kind: 'variable', unit: 'stops', stops: [2, 5] },
] as const;

describe('glass', () => {
  it('stacks two pieces, never two that turn', () => {
    const stacks = ndStacks([...bag, { ...bag[1], id: 'w', name: 'other variable' }]);
    expect(stacks[0].stops).toBe(0);
    expect(Math.max(...stacks.map(({ stops }) => stops))).toBe(11);
    expect(stacks.some(({ setIds }) => setIds.includes('v') && setIds.includes('w'))).toBe(false);
    expect(stacks.some(({ setIds }) => setIds.filter((id) => id === 'v').length > 1)).toBe(false);
    expect(ndStacks([])).toEqual([{ stops: 0, names: [], setIds: [] }]);
  });

  // Common practice: full sun, 180 degrees at 1/50, ISO 800: 7 to 9 stops at f/5.6 .. f/2.8.
  it('the packing yard at noon needs 7 to 9 stops', () => {
    const sun = luminanceFor({ fNumber: 16, seconds: 1 / 800, iso: 800, ndStops: 0 });
    const need = (iris: number) =>
      ndNeeded(sun, 0, { iris, shutter: { kind: 'time', denominator: 50 }, iso: 800 }, 25);
    expect(need(5.6)).toBeGreaterThan(6.9);
    expect(need(5.6)).toBeLessThan(7.1);
    expect(need(2.8)).toBeGreaterThan(8.9);
    expect(need(2.8)).toBeLessThan(9.1);
  });
});

describe('the exposure solver', () => {
  const knobs: ExposureChoices = {
    irises: F_NUMBERS.filter((f) => f >= 2.8 && f <= 16),
    shutters: [HALF],
    isos: [800],
    nd: ndStacks(bag),
    lightMoves: false,
  };
  const wanted = { iris: 4, baseIsos: [800] };

  it('answers re-metered give the asked placement within the stated residual, over random kits', () => {
    const pick = <T>(all: readonly T[]) =>
      fc.uniqueArray(fc.constantFrom(...all), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 14, noNaN: true }),
        fc.integer({ min: -3, max: 9 }),
        pick(F_NUMBERS),
        pick(ISO_SPEEDS),
        fc.uniqueArray(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(24, 25, 50, 60),
        (ev, thirds, irises, isos, glass, fps) => {
          const grey = (12.5 * 2 ** ev) / 100;
          const nd = ndStacks([{ id: 'g', name: 'g', kind: 'fixed', unit: 'stops', stops: glass }]);
          const lists = { ...knobs, irises, isos, nd };
          const answer = solveExposure(
            grey,
            thirds / 3,
            lists,
            { iris: irises[0], baseIsos: [isos[0]] },
            fps,
          );
          // Re-metered from the standard's own formula, not the solver's.
          const n = exactFNumber(answer.iris);
          const seconds = 180 / (360 * fps);
          const meter = Math.log2((grey * seconds * answer.iso) / (12.5 * n * n * 2 ** answer.nd.stops));
          expect(meter - thirds / 3).toBeCloseTo(answer.residual, 6);
          expect(irises).toContain(answer.iris);
          expect(isos).toContain(answer.iso);
          expect(answer.short === undefined).toBe(Math.abs(answer.residual) <= 1 / 6 + 1e-6);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('moves glass before iris, and iris before ISO', () => {
    const grey = luminanceFor({ fNumber: 4, seconds: 0.02, iso: 800, ndStops: 3 });
    const answer = solveExposure(grey, 0, { ...knobs, isos: [400, 800, 1600] }, wanted, 25);
    expect(answer).toMatchObject({ iris: 4, iso: 800, residual: expect.closeTo(0, 6) });
    expect(answer.nd.stops).toBe(3);
  });

  it('says what is short by how much, or asks the light where that may move', () => {
    const dark = luminanceFor({ fNumber: exactFNumber(2.8), seconds: 0.02, iso: 800, ndStops: 0 }, -2);
    const answer = solveExposure(dark, 0, knobs, wanted, 25);
    expect(answer.residual).toBeCloseTo(-2, 6);
    expect(answer.short).toMatch(/^2 stops short of light/);
    const lit = solveExposure(dark, 0, { ...knobs, lightMoves: true }, wanted, 25);
    expect(lit).toMatchObject({ residual: 0, light: expect.closeTo(2, 6) });
    expect(lit.short).toBeUndefined();
    const bright = solveExposure(1e6, 0, { ...knobs, nd: ndStacks([]) }, wanted, 25);
    expect(bright.short).toMatch(/too much light: stronger ND/);
    expect(() => solveExposure(10, 0, { ...knobs, irises: [] }, wanted, 25)).toThrow(RangeError);
  });

  it('keeps to shutters that do not flicker: 1/100 and 1/50 at 50 Hz, 1/60 and 1/120 at 60 Hz', () => {
    const times = [24, 25, 50, 60, 100, 120].map((denominator): Shutter => ({ kind: 'time', denominator }));
    const names = (hz: 50 | 60) => flickerSafe(times, 25, hz).map((s) => s.kind === 'time' && s.denominator);
    expect(names(50)).toEqual([25, 50, 100]);
    expect(names(60)).toEqual([24, 60, 120]);
    expect(
      recordedStops(
        12.5,
        { iris: 1, shutter: { kind: 'time', denominator: 100 }, iso: 100, nd: ndStacks([])[0] },
        25,
      ),
    ).toBeCloseTo(0, 9);
  });
});
