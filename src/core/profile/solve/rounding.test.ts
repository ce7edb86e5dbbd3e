import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes.ts';
import { compileCurve } from '../compile.ts';
import type { CurveReading } from '../types.ts';
import { roundedAgainstNormal } from './rounding.ts';
import { solveCurve } from './solveCurve.ts';

const STEP = 0.01;
const SIGMA = STEP / Math.sqrt(12);

describe('a number that was rounded', () => {
  it('is as likely anywhere within half its step, and not beyond', () => {
    const rounded = (miss: number) =>
      roundedAgainstNormal(miss, SIGMA, 0) -
      (0.5 * miss * miss) / SIGMA ** 2 -
      0.5 * Math.log(2 * Math.PI * SIGMA ** 2);
    // The density is 1 / step, but for the one in fifty that was not rounded as told.
    for (const miss of [0, 0.002, -0.004]) expect(Math.exp(rounded(miss))).toBeCloseTo(1 / STEP, -1);
    expect(roundedAgainstNormal(0.6 * STEP, SIGMA, 0)).toBeCloseTo(Math.log(0.02), 6);
  });

  it('whose place is uncertain is as likely as the convolution of both, by Simpson’s rule', () => {
    const place = 0.004;
    const normal = (x: number, sd: number) =>
      Math.exp((-0.5 * x * x) / sd ** 2) / (sd * Math.sqrt(2 * Math.PI));
    for (const miss of [0, 0.004, 0.009]) {
      const steps = 400;
      const h = STEP / steps;
      let sum = 0;
      for (let i = 0; i <= steps; i += 1)
        sum += (i === 0 || i === steps ? 1 : i % 2 ? 4 : 2) * normal(miss + STEP / 2 - i * h, place);
      const both = (sum * h) / 3 / STEP;
      const ratio = both / normal(miss, Math.hypot(SIGMA, place));
      expect(roundedAgainstNormal(miss, SIGMA, place)).toBeCloseTo(Math.log(0.98 * ratio + 0.02), 5);
    }
  });

  it('with an error of place far larger is a normal error', () => {
    for (const miss of [0, 0.05, 0.1]) expect(roundedAgainstNormal(miss, SIGMA, 0.1)).toBeCloseTo(0, 2);
  });
});

describe('a band from printed numbers', () => {
  const { encode } = compileCurve(ARCHETYPES.wideLog.curve);
  const readings = (rounded: boolean): CurveReading[] =>
    [0, 0.18, 0.9].map((reflectance) => ({
      reflectance,
      signal: Math.round(encode(reflectance) / STEP) * STEP,
      sigma: SIGMA,
      ...(rounded ? { rounded } : {}),
    }));
  const meanOf = (list: readonly number[]) => list.reduce((sum, v) => sum + v, 0) / list.length;

  it('is narrower than if their errors had no end, and still holds the curve', () => {
    const { band, curve } = solveCurve(readings(true));
    const asNormal = solveCurve(readings(false));
    expect(meanOf(band.signal)).toBeLessThan(0.95 * meanOf(asNormal.band.signal));
    // The curve itself is the same: only what is said of it differs.
    expect(curve).toEqual(asNormal.curve);
    const found = compileCurve(curve);
    band.stops.forEach((stops, i) => {
      const x = 0.18 * 2 ** stops;
      expect(Math.abs(found.encode(x) - encode(x))).toBeLessThan(band.signal[i]);
    });
  });

  it('stays wide where a number cannot have been rounded as told', () => {
    const off = readings(true).map((one, i) => (i === 1 ? { ...one, signal: one.signal + 2 * STEP } : one));
    expect(solveCurve(off).band.signal.every((half) => Number.isFinite(half) && half > 0)).toBe(true);
  });
});
