import { describe, expect, it } from 'vitest';
import {
  BALANCE_SCHOOL_IDS,
  balanceAnswers,
  closingGels,
  miredShift,
  printCast,
  type BalanceInput,
} from './balance.ts';

const window = { id: 'w', name: 'Window', kelvin: 6300, tint: 3 };
const lamp = { id: 'l', name: 'Lamp', kelvin: 3200, tint: 0 };
const input = (part: Partial<BalanceInput> = {}): BalanceInput => ({
  sources: [window, lamp],
  kelvinStep: 100,
  kelvinRange: [2500, 9900],
  leanMired: 0,
  outside: false,
  changing: false,
  ...part,
});
const by = (given: BalanceInput) =>
  Object.fromEntries(balanceAnswers(given).map((answer) => [answer.id, answer]));

describe('white balance', () => {
  // By hand: 10^6 / 5600 - 10^6 / 3200 = -134 mired.
  it('counts in mired', () => {
    expect(miredShift(5600, 3200)).toBeCloseTo(-133.9, 1);
    expect(miredShift(3200, 5600)).toBeCloseTo(133.9, 1);
    expect(printCast(133.9)).toBe('+134 mired warm');
    expect(printCast(-12)).toBe('−12 mired cool');
    expect(printCast(0.4)).toBe('neutral');
  });

  it('the card school dials the light on the skin and says what the other one keeps', () => {
    const { card } = by(input());
    expect(card.dial).toBe(6300);
    expect(card.cast[0].mired).toBeCloseTo(0, 6);
    expect(card.cast[1].mired).toBeCloseTo(miredShift(3200, 6300), 6);
  });

  it('takes a body’s lean off, within what its dial can say', () => {
    const warm = by(input({ leanMired: 9 })).card;
    // 10^6 / (158.7 + 9) = 5962, on the dial 6000.
    expect(warm.dial).toBe(6000);
    expect(Math.abs(warm.cast[0].mired)).toBeLessThan(2);
    const small = by(input({ kelvinStep: 500, kelvinRange: [2300, 5500], outside: true })).sky;
    expect(small.dial).toBe(5500);
  });

  it('each school speaks only where it fits', () => {
    const inside = by(input());
    expect(inside.daylight.dial).toBeUndefined();
    expect(inside.auto.dial).toBeUndefined();
    const outside = by(input({ outside: true, changing: true, agreed: 5200 }));
    expect(outside.daylight.dial).toBe(5600);
    expect(outside.agreed.dial).toBe(5200);
    expect(outside.sky.dial).toBe(6000);
    expect(outside.auto.dial).toBe(6300);
    expect(BALANCE_SCHOOL_IDS.every((id) => by(input({ sources: [] }))[id].cast.length === 0)).toBe(true);
  });

  it('picks the gel of the bag that closes the split, and none where it would not help', () => {
    const gels = [
      { id: 'full', name: 'full', mired: -134, lossStops: 1.5 },
      { id: 'half', name: 'half', mired: -68, lossStops: 0.8 },
      { id: 'warm', name: 'warm', mired: 134, lossStops: 0.7 },
    ];
    const [closing] = closingGels([window, lamp], gels);
    expect(closing.gel.id).toBe('full');
    expect(closing.before).toBeCloseTo(153.8, 1);
    expect(closing.after).toBeCloseTo(19.8, 1);
    expect(closingGels([window, { ...lamp, kelvin: 6250 }], gels)).toEqual([]);
    expect(closingGels([window, lamp], [gels[2]])).toEqual([]);
    expect(closingGels([], gels)).toEqual([]);
  });
});
