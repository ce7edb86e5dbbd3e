import { describe, expect, it } from 'vitest';
import { uvToXy, xyToUv } from './chromaticity.ts';
import { OBSERVER } from './observer.ts';
import { daylightXy, planckianUv, temperatureOf, whiteXy } from './temperature.ts';

/** McCamy 1992: CCT from xy by a cubic; within 2 K near the locus between 2856 and 6504 K, by its author. */
const mcCamy = (x: number, y: number) => {
  const n = (x - 0.332) / (y - 0.1858);
  return -449 * n ** 3 + 3525 * n ** 2 - 6823.3 * n + 5520.33;
};

/**
 * The Planckian locus in CIE 1960 uv by mired: A. R. Robertson 1968, Journal of the Optical Society of America 58,
 * 1528, table 1 [from memory; within a unit of its last digit of what is worked out here].
 */
const ROBERTSON: readonly (readonly [mired: number, u: number, v: number])[] = [
  [0, 0.18006, 0.26352],
  [10, 0.18066, 0.26589],
  [20, 0.18133, 0.26846],
  [30, 0.18208, 0.27119],
  [40, 0.18293, 0.27407],
  [60, 0.18494, 0.28021],
  [100, 0.19032, 0.29326],
  [150, 0.19962, 0.30921],
  [200, 0.21142, 0.32312],
  [300, 0.2401, 0.34308],
  [400, 0.27218, 0.35407],
  [500, 0.30505, 0.35907],
  [600, 0.33724, 0.36051],
];

describe('the Planckian locus', () => {
  it.each(ROBERTSON)('at %i mired is Robertson’s', (mired, u, v) => {
    const [ours, other] = planckianUv(mired === 0 ? Infinity : 1e6 / mired);
    expect(Math.abs(ours - u)).toBeLessThan(1.2e-5);
    expect(Math.abs(other - v)).toBeLessThan(1.2e-5);
  });

  it('reads a radiator of 25 000 K as 25 000 K, within half a mired', () => {
    const found = temperatureOf(uvToXy([0.18293, 0.27407]));
    expect(Math.abs(1e6 / found.kelvin - 40)).toBeLessThan(0.5);
    expect(Math.abs(found.duv)).toBeLessThan(2e-5);
  });

  it('the observer sees equal energy as x = y = 1/3 (CIE 015:2018, illuminant E)', () => {
    const [x, y, z] = [0, 1, 2].map((c) => OBSERVER.reduce((sum, row) => sum + row[c], 0));
    expect(x / (x + y + z)).toBeCloseTo(1 / 3, 4);
    expect(y / (x + y + z)).toBeCloseTo(1 / 3, 4);
  });

  it('between whole mired it is what Planck’s law gives there', () => {
    const [low, high] = [planckianUv(1e6 / 312), planckianUv(1e6 / 313)];
    const [u, v] = planckianUv(1e6 / 312.5);
    expect(u).toBeCloseTo((low[0] + high[0]) / 2, 6);
    expect(v).toBeCloseTo((low[1] + high[1]) / 2, 6);
  });
});

describe('what has no colour temperature', () => {
  it('is beyond 25 000 K where the nearest radiator is hotter, Duv of the right sign', () => {
    for (const duv of [-0.004, 0.004]) {
      const found = temperatureOf(whiteXy({ kelvin: 60_000, duv }));
      expect(found.stands).toBe('beyond');
      expect(found.duv).toBeCloseTo(duv, 4);
    }
    // Bluer than the hottest radiator, above and below where its locus ends.
    expect(temperatureOf(uvToXy([0.176, 0.262]))).toMatchObject({ stands: 'beyond', kelvin: Infinity });
    expect(temperatureOf(uvToXy([0.17, 0.27])).duv).toBeGreaterThan(0);
    expect(temperatureOf(uvToXy([0.186, 0.255])).duv).toBeLessThan(0);
  });

  it('is none where it lies over 0.05 off the locus (CIE 015:2018, clause 9.5)', () => {
    expect(temperatureOf(whiteXy({ kelvin: 5000, duv: 0.049 })).stands).toBe('within');
    expect(temperatureOf(whiteXy({ kelvin: 5000, duv: 0.051 })).stands).toBe('none');
    expect(temperatureOf(whiteXy({ kelvin: 5000, duv: -0.051 })).stands).toBe('none');
    // A saturated green.
    expect(temperatureOf([0.25, 0.65])).toMatchObject({ stands: 'none' });
    expect(temperatureOf([0.25, 0.65]).duv).toBeGreaterThan(0.05);
  });

  it('is within at both ends of the range', () => {
    for (const kelvin of [1001, 2000, 24_999])
      expect(temperatureOf(whiteXy({ kelvin, duv: 0 })).stands).toBe('within');
    expect(temperatureOf(whiteXy({ kelvin: 26_000, duv: 0 })).stands).toBe('beyond');
  });
});

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
