import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  firstNonMonotoneRow,
  kneeWidthThrough,
  logContinuity,
  logTransfer,
  powerTransfer,
  tableTransfer,
  tangentLog,
  TRANSFERS,
  withKnee,
} from './index.ts';

const double = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('general log form', () => {
  it('joins its tangent line without a break in value or slope', () => {
    fc.assert(
      fc.property(double(0.002, 0.1), double(0, 0.02), double(0.1, 0.6), double(0.3, 0.9), (s, cut, c, d) => {
        const { value, slope } = logContinuity(tangentLog(s, cut, c, d));
        expect(Math.abs(value)).toBeLessThan(1e-12);
        expect(Math.abs(slope)).toBeLessThan(1e-9);
      }),
    );
  });

  it('round-trips over and under the cut', () => {
    const { encode, decode } = logTransfer(tangentLog(0.01, 0.005, 0.3, 0.62));
    fc.assert(
      fc.property(double(-0.05, 64), (x) => {
        expect(Math.abs(decode(encode(x)) - x)).toBeLessThan(1e-9 * Math.max(1, x));
      }),
    );
  });

  it('reproduces ACEScct from its published constants, which are of this form', () => {
    // S-2016-001: (log2 x + 9.72) / 17.52 over the cut, 10.5402377416545 x + 0.0729055341958355 under it.
    const acescct = logTransfer({
      a: 1,
      b: 0,
      c: Math.log2(10) / 17.52,
      d: 9.72 / 17.52,
      cut: 0.0078125,
      e: 10.5402377416545,
      f: 0.0729055341958355,
    });
    for (const x of [0, 0.001, 0.0078125, 0.18, 1, 16]) {
      expect(acescct.encode(x)).toBeCloseTo(TRANSFERS.acescct.encode(x), 12);
    }
  });

  it('opening a stop far over the toe moves the signal by c log10(2)', () => {
    const { encode } = logTransfer(tangentLog(0.01, 0.005, 0.3, 0.62));
    expect(encode(20) - encode(10)).toBeCloseTo(0.3 * Math.log10(2), 3);
  });

  it('refuses what is no rising curve', () => {
    expect(() => tangentLog(0.01, -0.02, 0.3, 0.6)).toThrow(RangeError);
    expect(() => logTransfer({ a: 1, b: -1, c: 0.3, d: 0.6, cut: 0, e: 1, f: 0 })).toThrow(
      /above 0 at the cut|a \* cut/,
    );
    expect(() => logTransfer({ a: 0, b: 1, c: 0.3, d: 0.6, cut: 0, e: 1, f: 0 })).toThrow(RangeError);
  });
});

describe('power form', () => {
  it('is BT.709 when given its numbers, but for the rounding of the standard’s own join', () => {
    const { encode } = powerTransfer({ gain: 1.099, exponent: 0.45, offset: -0.099, cut: 0.018 });
    for (const x of [0.018, 0.1, 0.18, 1]) expect(encode(x)).toBeCloseTo(TRANSFERS.bt709.encode(x), 9);
    expect(encode(0.005)).toBeCloseTo(TRANSFERS.bt709.encode(0.005), 2);
  });
  it('round-trips', () => {
    const { encode, decode } = powerTransfer({ gain: 0.9, exponent: 0.5, offset: 0.05, cut: 0.01 });
    fc.assert(
      fc.property(double(-0.01, 8), (x) => {
        expect(decode(encode(x))).toBeCloseTo(x, 9);
      }),
    );
    expect(() => powerTransfer({ gain: 1, exponent: 0.5, offset: 0, cut: 0 })).toThrow(RangeError);
  });
});

describe('knee', () => {
  const base = TRANSFERS.bt709;
  it('keeps value and slope at the knee and round-trips', () => {
    const kneed = withKnee(base, { at: 0.64, width: 0.3 });
    expect(kneed.encode(0.64 + 1e-7) - base.encode(0.64)).toBeLessThan(1e-6);
    const slope = (f: (x: number) => number, x: number) => (f(x + 1e-6) - f(x)) / 1e-6;
    expect(slope(kneed.encode, 0.6401)).toBeCloseTo(slope(base.encode, 0.6399), 2);
    fc.assert(
      fc.property(double(0, 10), (x) => {
        expect(kneed.decode(kneed.encode(x))).toBeCloseTo(x, 7);
      }),
    );
  });

  it('is bent to pass a point', () => {
    fc.assert(
      fc.property(double(1.2, 12), (reach) => {
        const width = kneeWidthThrough(base, 0.64, reach, 1);
        if (width === undefined) return;
        expect(withKnee(base, { at: 0.64, width }).encode(reach)).toBeCloseTo(1, 6);
      }),
    );
  });

  it('says when no knee can pass it', () => {
    expect(kneeWidthThrough(base, 0.64, 0.7, 1)).toBeUndefined();
    expect(kneeWidthThrough(base, 0.64, 0.5, 0.9)).toBeUndefined();
    expect(() => withKnee(base, { at: 0, width: 1 })).toThrow(RangeError);
  });
});

describe('monotone table', () => {
  const rows = [-6, -4, -2, 0, 1, 2, 4, 6].map((stops) => {
    const reflectance = 0.18 * 2 ** stops;
    return { reflectance, signal: TRANSFERS.acescct.encode(reflectance) };
  });

  it('goes through its rows and back', () => {
    const table = tableTransfer(rows);
    for (const { reflectance, signal } of rows) {
      expect(table.encode(reflectance)).toBeCloseTo(signal, 12);
      expect(table.decode(signal)).toBeCloseTo(reflectance, 9);
    }
  });

  it('stays within 0.02 of the curve it was sampled from, two stops apart', () => {
    const table = tableTransfer(rows);
    fc.assert(
      fc.property(double(-6, 6), (stops) => {
        const x = 0.18 * 2 ** stops;
        expect(Math.abs(table.encode(x) - TRANSFERS.acescct.encode(x))).toBeLessThan(0.02);
      }),
    );
  });

  it('never falls, whatever rising rows it is given', () => {
    const steps = fc.array(fc.tuple(double(0.001, 3), double(0.0001, 0.3)), { minLength: 2, maxLength: 12 });
    fc.assert(
      fc.property(steps, double(0, 30), double(0, 30), (parts, a, b) => {
        let [reflectance, signal] = [0, 0];
        const rising = parts.map(([dx, dy]) => {
          reflectance += dx;
          signal += dy;
          return { reflectance, signal };
        });
        const { encode } = tableTransfer(rising);
        expect(encode(Math.max(a, b))).toBeGreaterThanOrEqual(encode(Math.min(a, b)) - 1e-12);
      }),
    );
  });

  it('names the row that does not rise', () => {
    const bad = [rows[0], rows[2], rows[1]];
    expect(firstNonMonotoneRow(bad)).toBe(2);
    expect(() => tableTransfer(bad)).toThrow(/row 3 does not rise over row 2/);
    expect(() => tableTransfer([rows[0]])).toThrow(/at least two rows/);
    expect(firstNonMonotoneRow(rows)).toBeUndefined();
  });
});
