import { describe, expect, it } from 'vitest';
import { F_NUMBERS } from '../exposure/aperture.ts';
import {
  airyDisc,
  blurDisc,
  CONFUSIONS,
  depthOfField,
  diffraction,
  fNumberForBlur,
  fNumberForFar,
  fNumberForNear,
  hyperfocal,
  isFocusable,
  softFrom,
} from './depth.ts';
import { DEPTH_WISH_IDS, depthAnswer, isWithin, type LensUse } from './depthWishes.ts';
import { blurToAdd, motionBlur, shuttersBy } from './motion.ts';

const IMAGER = { width: 24, photosites: 4096 };
const MARKS = F_NUMBERS.slice(3, 27);

describe('depth of field by the thin lens', () => {
  it('is what the handbook formulae come to by hand', () => {
    // f = 50 mm, f/8, c = 0.03 mm: H = 2500/(8 · 0.03) + 50 = 10 466.7 mm.
    expect(hyperfocal(50, 8, 0.03)).toBeCloseTo(10.4667, 3);
    // s = 3 m: near 3000 · 10 416.7/(10 466.7 + 3000 - 100) = 2337.9 mm; far 3000 · 10 416.7/7466.7 = 4185.3 mm.
    const { near, far } = depthOfField({ focal: 50, distance: 3 }, 8, 0.03);
    expect(near).toBeCloseTo(2.3379, 3);
    expect(far).toBeCloseTo(4.1853, 3);
    // Focused on the hyperfocal distance it reaches from half of it to the horizon.
    const all = depthOfField({ focal: 50, distance: 10.4667 }, 8, 0.03);
    expect(all.near).toBeCloseTo(10.4667 / 2, 2);
    expect(all.far).toBeGreaterThan(1000);
    // Blur of a horizon: 2500/(8 · 2950) = 0.10593 mm; of a point at 6 m half of that.
    expect(blurDisc({ focal: 50, distance: 3 }, 8, Infinity)).toBeCloseTo(0.10593, 4);
    expect(blurDisc({ focal: 50, distance: 3 }, 8, 6)).toBeCloseTo(0.10593 / 2, 4);
    // Airy: 2.44 · 0.55 µm · 8 = 10.74 µm.
    expect(1000 * airyDisc(8)).toBeCloseTo(10.736, 2);
  });

  it('has limits at which the blur is the circle of confusion, whatever the lens', () => {
    for (const focal of [12, 24, 50, 135])
      for (const distance of [0.6, 2, 7])
        for (const iris of [2, 5.6, 16]) {
          const focus = { focal, distance };
          const { near, far } = depthOfField(focus, iris, 0.02);
          expect(blurDisc(focus, iris, near)).toBeCloseTo(0.02, 6);
          expect(blurDisc(focus, iris, far)).toBeLessThan(0.02 + 1e-6);
          if (far < Infinity) expect(blurDisc(focus, iris, far)).toBeCloseTo(0.02, 6);
        }
  });

  it('is turned back into the iris', () => {
    const focus = { focal: 35, distance: 2 };
    for (const iris of [2, 4, 8]) {
      const { near, far } = depthOfField(focus, iris, 0.018);
      expect(fNumberForNear(focus, near, 0.018)).toBeCloseTo(iris, 6);
      if (far < Infinity) expect(fNumberForFar(focus, far, 0.018)).toBeCloseTo(iris, 6);
      expect(fNumberForBlur(focus, 5, blurDisc(focus, iris, 5) / IMAGER.width, IMAGER)).toBeCloseTo(iris, 6);
    }
    expect(() => fNumberForNear(focus, 3, 0.018)).toThrow(/near between lens and focus/);
    expect(() => fNumberForFar(focus, 1, 0.018)).toThrow(/beyond the focus/);
    expect(() => depthOfField({ focal: 100, distance: 0.15 }, 4, 0.02)).toThrow(RangeError);
    expect(isFocusable({ focal: 100, distance: 0.15 })).toBe(false);
  });

  it('goes soft by diffraction where the Airy disc covers two photosites', () => {
    const from = softFrom(IMAGER);
    expect(from).toBeCloseTo((2 * 24) / 4096 / (2.44 * 550e-6), 6);
    expect(diffraction(8, IMAGER).isSoft).toBe(false);
    expect(diffraction(9, IMAGER).isSoft).toBe(true);
    expect(CONFUSIONS.seen.of({ width: 36, photosites: 6000 })).toBeCloseTo(0.0275, 3);
  });
});

describe('wishes of depth', () => {
  const use = (more: Partial<LensUse>): LensUse => ({
    focal: 50,
    distance: 1.5,
    wish: 'none',
    confusion: 'seen',
    behind: 6,
    ...more,
  });

  it('allow the irises whose zone really covers what was asked', () => {
    for (const [wish, before, beyond] of [
      ['eyes', 0.015, 0.02],
      ['face', 0.05, 0.15],
    ] as const) {
      const { rows, irises } = depthAnswer(use({ wish }), MARKS, IMAGER);
      expect(irises.length).toBeGreaterThan(0);
      for (const row of rows) {
        const covers = row.near <= 1.5 - before + 1e-3 && row.far >= 1.5 + beyond - 1e-3;
        if (row.isWithin) expect(covers).toBe(true);
        if (wish === 'face') expect(row.isWithin).toBe(covers);
        if (wish === 'eyes' && row.isWithin) expect(row.far).toBeLessThan(1.6 + 2e-3);
      }
    }
  });

  it('stop down for a zone, open for a soft background, and say what they lack', () => {
    const zone = depthAnswer(use({ wish: 'zone', near: 1.2, far: 2.2 }), MARKS, IMAGER);
    expect(
      zone.rows.filter((row) => row.isWithin).every(({ near, far }) => near <= 1.21 && far >= 2.19),
    ).toBe(true);
    const soft = depthAnswer(use({ wish: 'soft', soft: 0.03 }), MARKS, IMAGER);
    expect(soft.rows.filter((row) => row.isWithin).every(({ blur }) => blur! >= 0.0298)).toBe(true);
    expect(soft.rows.some((row) => !row.isWithin)).toBe(true);
    expect(depthAnswer(use({ wish: 'zone' }), MARKS, IMAGER).range).toBeUndefined();
    expect(depthAnswer(use({ wish: 'soft', behind: undefined }), MARKS, IMAGER).irises).toEqual([]);
    expect(depthAnswer(use({ wish: 'none' }), MARKS, IMAGER).irises).toEqual([...MARKS]);
    const far = depthAnswer(use({ wish: 'horizon', focal: 24, distance: 3 }), MARKS, IMAGER);
    for (const row of far.rows) expect(row.isWithin).toBe(row.hyperfocal <= 3.02);
    for (const id of DEPTH_WISH_IDS)
      expect(() => depthAnswer(use({ wish: id }), MARKS, IMAGER)).not.toThrow();
    expect(isWithin(4, { from: 4.01, to: 3.99 })).toBe(true);
  });
});

describe('motion', () => {
  it('streaks by speed, time and magnification', () => {
    // 2 m/s over 1/50 s at f = 50 mm, s = 5 m: 40 mm · 50/4950 = 0.404 mm of 24, 69 photosites.
    const streak = motionBlur({ focal: 50, distance: 5 }, 2, 1 / 50, IMAGER);
    expect(streak).toBeCloseTo(((40 * 50) / 4950 / 24) * 4096, 3);
    // At 1/200 s and 25 fps: a quarter of the usual streak; what is added fills it up in quadrature.
    const short = streak / 4;
    expect(Math.hypot(blurToAdd(short, 1 / 200, 25), short)).toBeCloseTo(streak, 6);
    expect(blurToAdd(streak, 1 / 50, 25)).toBe(0);
  });

  it('has shutters by rule', () => {
    const shutters = [25, 50, 60, 100, 200, 1000].map(
      (denominator) => ({ kind: 'time', denominator }) as const,
    );
    const names = (rule: 'any' | 'steady' | 'motion') =>
      shuttersBy(rule, shutters, 25)?.map((shutter) => shutter.kind === 'time' && shutter.denominator);
    expect(names('any')).toHaveLength(6);
    expect(names('steady')).toEqual([200, 1000]);
    expect(names('motion')).toEqual([50, 60]);
    expect(shuttersBy('steady', shutters.slice(0, 2), 25)).toBeUndefined();
  });
});
