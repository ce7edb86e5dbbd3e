import { describe, expect, it } from 'vitest';
import { castEffect, printNeutral, printSkin } from './castEffect.ts';

const at = (kelvin: number, duv = 0) => ({ kelvin, duv });

describe('what a cast does', () => {
  it('nothing, in the light the camera is balanced to', () => {
    const { red, blue, skinTurn } = castEffect(at(4300), at(4300));
    expect(red).toBeCloseTo(0, 3);
    expect(blue).toBeCloseTo(0, 3);
    expect(skinTurn).toBeCloseTo(0, 2);
  });

  it('warm light lifts red, takes blue and saturates skin; cold light turns it towards blue and drains it', () => {
    const warm = castEffect(at(3200), at(5600));
    expect(warm.red).toBeGreaterThan(0.2);
    expect(warm.blue).toBeLessThan(-0.5);
    const cold = castEffect(at(5600), at(3200));
    expect(cold.red).toBeLessThan(-0.2);
    expect(cold.blue).toBeGreaterThan(0.5);
    expect(warm.skinChroma).toBeGreaterThan(1.3);
    expect(Math.abs(warm.skinTurn)).toBeLessThan(15);
    expect(castEffect(at(5600), at(4700)).skinChroma).toBeLessThan(1);
    expect(cold.skinTurn).toBeLessThan(-30);
  });

  it('is told in stops, degrees and times, and in words where skin is no longer skin', () => {
    expect(printNeutral(castEffect(at(4300), at(4300)))).toBe('0.0 0.0');
    expect(printNeutral(castEffect(at(1600), at(5600)))).toMatch(/^\+\d\.\d under −6$/);
    expect(printSkin(castEffect(at(5000), at(5600)))).toMatch(/^[+−]?\d+° ×1\.\d$/);
    expect(printSkin(castEffect(at(5600), at(2800)))).toBe('goes cold');
  });

  it('equal mired steps do about the same, 10 mired is a small thing', () => {
    const step = (mired: number) => castEffect(at(1e6 / (200 + mired)), at(5000)).blue;
    expect(step(10)).toBeGreaterThan(-0.25);
    expect(step(40) / step(20)).toBeGreaterThan(1.7);
    expect(step(40) / step(20)).toBeLessThan(2.3);
  });

  it('green light takes red and blue from a neutral alike', () => {
    const { red, blue } = castEffect(at(5000, 0.01), at(5000));
    expect(red).toBeLessThan(0);
    expect(blue).toBeLessThan(0);
  });
});
