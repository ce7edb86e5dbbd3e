import { describe, expect, it } from 'vitest';
import { uvToXy, xyToUv } from './chromaticity.ts';
import { daylightXy, planckianUv, temperatureOf, whiteXy } from './temperature.ts';

/** McCamy 1992: CCT from xy by a cubic; within 2 K near the locus between 2856 and 6504 K, by its author. */
const mcCamy = (x: number, y: number) => {
  const n = (x - 0.332) / (y - 0.1858);
  return -449 * n ** 3 + 3525 * n ** 2 - 6823.3 * n + 5520.33;
};

describe('colour temperature', () => {
  // CIE 015:2018, table of illuminants A, D50, D65, D75 (A's CCT with c2 = 1.4388e-2).
  it.each([
    ['A', [0.44758, 0.40745], 2856, 0],
    ['D50', [0.34567, 0.35851], 5003, 0.0032],
    ['D65', [0.31272, 0.32903], 6504, 0.0032],
    ['D75', [0.29902, 0.31486], 7506, 0.0033],
  ] as const)('of illuminant %s', (_, xy, kelvin, duv) => {
    const found = temperatureOf(xy);
    expect(Math.abs(1e6 / found.kelvin - 1e6 / kelvin)).toBeLessThan(0.5);
    expect(found.duv).toBeCloseTo(duv, 3);
  });

  it('agrees with McCamy 1992 along the daylight locus within a mired', () => {
    for (const kelvin of [4500, 5000, 5600, 6500]) {
      const [x, y] = daylightXy(kelvin);
      expect(Math.abs(1e6 / temperatureOf([x, y]).kelvin - 1e6 / mcCamy(x, y))).toBeLessThan(1);
    }
  });

  it('puts D65 on the daylight locus (CIE 015:2018)', () => {
    const [x, y] = daylightXy(6504);
    expect(x).toBeCloseTo(0.31272, 4);
    // The locus passes 0.00009 above the illuminant's own, tabled y: CIE 015 rounds its coefficients.
    expect(Math.abs(y - 0.32903)).toBeLessThan(1.5e-4);
    expect(() => daylightXy(3200)).toThrow(RangeError);
    expect(() => planckianUv(0)).toThrow(RangeError);
  });

  it('comes back from a white off the locus, green and magenta', () => {
    for (const kelvin of [2000, 3200, 5600, 9000]) {
      for (const duv of [-0.01, 0, 0.004, 0.012]) {
        const found = temperatureOf(whiteXy({ kelvin, duv }));
        expect(Math.abs(1e6 / found.kelvin - 1e6 / kelvin)).toBeLessThan(0.2);
        expect(found.duv).toBeCloseTo(duv, 4);
      }
    }
  });

  it('turns xy into uv and back', () => {
    const [x, y] = uvToXy(xyToUv([0.31, 0.33]));
    expect(x).toBeCloseTo(0.31, 12);
    expect(y).toBeCloseTo(0.33, 12);
  });
});
