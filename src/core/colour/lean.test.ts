import { describe, expect, it } from 'vitest';
import { xyToXyz } from './chromaticity.ts';
import { GAMUTS, gamutMatrix, rgbToXyz } from './gamut.ts';
import { balancedLight, dialFor, neutralOf } from './lean.ts';
import { leanOf } from './neutral.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';
import { whiteXy } from './temperature.ts';

/**
 * What a body that balances by gains on BT.2020's channels records of a grey card under `seen`, dialled to
 * `light`; BT.709.
 */
const cardOf = (light: { kelvin: number; duv: number }, seen: { kelvin: number; duv: number }): Triple => {
  const sensor = (of: typeof light) => apply(invert(rgbToXyz(GAMUTS.bt2020)), xyToXyz(whiteXy(of)));
  const white = sensor(light);
  const gained = sensor(seen).map((v, c) => v / white[c]) as unknown as Triple;
  return apply(gamutMatrix('bt2020', 'bt709'), gained);
};

describe('the lean of a body', () => {
  it('is nothing for a neutral card, under any light', () => {
    for (const kelvin of [3200, 4300, 5600, 6500]) {
      const { mired, duv } = leanOf([0.18, 0.18, 0.18], 'bt2020', { kelvin, duv: 0.001 });
      expect(Math.abs(mired)).toBeLessThan(0.1);
      expect(Math.abs(duv)).toBeLessThan(1e-5);
    }
  });

  it('finds the mired and the Duv that were put in', () => {
    for (const kelvin of [3200, 5600]) {
      for (const [mired, duv] of [
        [8, 0],
        [-12, 0.004],
        [5, -0.003],
      ] as const) {
        const light = { kelvin, duv: 0 };
        const seen = { kelvin: 1e6 / (1e6 / kelvin + mired), duv };
        const found = leanOf(cardOf(light, seen), 'bt709', light);
        expect(found.mired).toBeCloseTo(mired, 0);
        expect(found.duv).toBeCloseTo(duv, 4);
      }
    }
  });

  it('calls more red warm and more green green', () => {
    const light = { kelvin: 5600, duv: 0 };
    expect(leanOf([0.19, 0.18, 0.17], 'bt709', light).mired).toBeGreaterThan(3);
    expect(leanOf([0.18, 0.19, 0.18], 'bt709', light).duv).toBeGreaterThan(0.001);
    expect(() => leanOf([0, 0.1, 0.1], 'bt709', light)).toThrow(RangeError);
  });

  it('is countered at the dial: a warm body is told a warmer light', () => {
    // 10^6/5600 + 8 = 186.57 mired, 5360 K.
    expect(dialFor(5600, 8, 10)).toBe(5360);
    expect(dialFor(5600, 8, 100)).toBe(5400);
    expect(dialFor(5600, 0, 100)).toBe(5600);
    expect(neutralOf(dialFor(5600, 8, 1), 8)).toBeCloseTo(5600, -1);
    expect(balancedLight({ kelvin: 5600, tint: 0 })).toEqual({ kelvin: 5600, duv: -0 });
    // A body that leans green, and a dial turned green, call a magenta light white.
    expect(balancedLight({ kelvin: 5600, tint: 2 }, { mired: 0, tint: 1 }).duv).toBeCloseTo(-0.003, 12);
  });
});
