import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  assertNever,
  kelvin,
  kelvinToMired,
  parseStops,
  printStops,
  printStopsDecimal,
  printStopsExact,
  printStopsLength,
  reflectanceToStops,
  stops,
  stopsToReflectance,
  toThird,
} from './units.ts';

describe('stops', () => {
  it.each([
    [0, '0'],
    [1, '+1'],
    [4 / 3, '+1 1/3'],
    [-2 / 3, '−2/3'],
    [-0.01, '0'],
    [2.999, '+3'],
    [-5 - 2 / 3, '−5 2/3'],
    [Infinity, '+∞'],
  ])('prints %f as %s', (value, text) => expect(printStops(value)).toBe(text));

  it('prints decimals with a true minus, and no sign on what rounds to nothing', () => {
    expect(printStopsDecimal(-1.25)).toBe('−1.3');
    expect(printStopsDecimal(0.04)).toBe('0.0');
    expect(printStopsDecimal(0.333, 2)).toBe('+0.33');
  });

  it.each([
    [-6, '−6'],
    [-14 / 3, '−4 2/3'],
    [-4.5, '−4.5'],
    [0, '0'],
  ])('prints %f as %s without moving it', (value, text) => expect(printStopsExact(value)).toBe(text));

  it('prints a length without sign', () => expect(printStopsLength(-4 / 3)).toBe('1 1/3'));

  it.each([
    ['+1 1/3', 4 / 3],
    ['-2/3', -2 / 3],
    ['−1', -1],
    [' 1.5 ', 1.5],
    ['1,5', 1.5],
    [',5', 0.5],
    ['6.', 6],
    ['1e−5', 1e-5],
    ['−2.5E2', -250],
  ])('reads %s', (text, value) => expect(parseStops(text)).toBeCloseTo(value, 12));

  it.each(['', 'one', '1/0', '1 1/', '--1', '1e9999', '1e999', '.', '1.2.3', '0x10', 'Infinity', '1 2'])(
    'does not read %j',
    (text) => expect(parseStops(text)).toBeUndefined(),
  );

  it('reads back every third it prints', () => {
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 60 }), (thirds) => {
        expect(parseStops(printStops(thirds / 3))).toBeCloseTo(thirds / 3, 12);
      }),
    );
  });

  it('turns reflectance to stops and back', () => {
    expect(reflectanceToStops(0.18)).toBe(0);
    expect(reflectanceToStops(0.36)).toBe(1);
    expect(reflectanceToStops(0)).toBe(-Infinity);
    // 90 % white lies log2(5) over grey.
    expect(reflectanceToStops(0.9)).toBeCloseTo(2.321928, 6);
    fc.assert(
      fc.property(fc.double({ min: -12, max: 12, noNaN: true }), (over) => {
        expect(reflectanceToStops(stopsToReflectance(over))).toBeCloseTo(over, 10);
      }),
    );
  });

  it('rounds to thirds without a negative zero', () => expect(Object.is(toThird(-0.1), 0)).toBe(true));
});

describe('edges', () => {
  it('refuses what is no number of stops or kelvin', () => {
    expect(() => stops(Number.NaN)).toThrow(RangeError);
    expect(() => kelvin(0)).toThrow(/above 0/);
  });
  it('shifts 3200 K to 5600 K by -134 mired', () => {
    expect(kelvinToMired(kelvin(5600)) - kelvinToMired(kelvin(3200))).toBeCloseTo(-133.93, 2);
  });
  it('names the impossible', () => expect(() => assertNever('x' as never)).toThrow(/unexpected value "x"/));
});
