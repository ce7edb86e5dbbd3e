import Color from 'colorjs.io';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deltaE2000, labToXyz, xyzToLab, type Lab } from './lab.ts';

// G. Sharma, W. Wu, E. N. Dalal, The CIEDE2000 color-difference formula (2005), table 1 [from memory; all 34 agree].
const PAIRS: readonly (readonly [...Lab, ...Lab, number])[] = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1.0],
  [50, 2.5, 0, 50, 3.2972, 0, 1.0],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1.0],
  [50, 2.5, 0, 50, 3.2592, 0.335, 1.0],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
];

const D65 = [0.95047, 1, 1.08883] as const;
// To the hundredth, so that greys are greys exactly.
const hundredths = (min: number, max: number) =>
  fc.integer({ min: 100 * min, max: 100 * max }).map((v) => v / 100);
const lab = fc.tuple(hundredths(0, 100), hundredths(-100, 100), hundredths(-100, 100));

describe('CIEDE2000', () => {
  it.each(PAIRS)('%d %d %d to %d %d %d', (l1, a1, b1, l2, a2, b2, wanted) => {
    expect(deltaE2000([l1, a1, b1], [l2, a2, b2])).toBeCloseTo(wanted, 4);
    expect(deltaE2000([l2, a2, b2], [l1, a1, b1])).toBeCloseTo(wanted, 4);
  });

  it('agrees with colorjs.io on any pair', () => {
    const colour = (one: Lab) => new Color('lab', [...one]);
    fc.assert(
      fc.property(lab, lab, (one, other) => {
        expect(deltaE2000(one, other)).toBeCloseTo(colour(one).deltaE(colour(other), '2000'), 6);
      }),
    );
  });

  it('is nothing for a colour and itself, and never negative', () => {
    fc.assert(
      fc.property(lab, lab, (one, other) => {
        expect(deltaE2000(one, one)).toBe(0);
        expect(deltaE2000(one, other)).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});

describe('L*a*b*', () => {
  it('has white at 100 0 0, and 18 % of it at L* 49.5', () => {
    expect(xyzToLab(D65, D65)[0]).toBeCloseTo(100, 10);
    const [l, a, b] = xyzToLab([0.18 * D65[0], 0.18, 0.18 * D65[2]], D65);
    expect(l).toBeCloseTo(49.496, 3);
    expect(Math.hypot(a, b)).toBeLessThan(1e-9);
  });

  it('has no gap where its two parts meet, and goes on below 0', () => {
    const at = (y: number) => xyzToLab([y * D65[0], y, y * D65[2]], D65)[0];
    expect(at(216 / 24389 + 1e-12)).toBeCloseTo(at(216 / 24389 - 1e-12), 6);
    expect(at(216 / 24389)).toBeCloseTo(8, 9);
    expect(at(-0.01)).toBeLessThan(0);
  });

  it('comes back from L*a*b* as it was', () => {
    fc.assert(
      fc.property(lab, (one) => {
        xyzToLab(labToXyz(one, D65), D65).forEach((v, i) => expect(v).toBeCloseTo(one[i], 8));
      }),
    );
  });

  it('agrees with colorjs.io', () => {
    const light = fc.double({ min: 0, max: 1.2, noNaN: true });
    const white = [0.3127 / 0.329, 1, (1 - 0.3127 - 0.329) / 0.329] as const;
    fc.assert(
      fc.property(light, light, light, (x, y, z) => {
        const theirs = new Color('xyz-d65', [x, y, z]).to('lab-d65').coords;
        xyzToLab([x, y, z], white).forEach((v, i) => expect(v).toBeCloseTo(Number(theirs[i]), 4));
      }),
    );
  });
});
