import { describe, expect, it } from 'vitest';
import { USUAL } from '../fixtures/filmed.ts';
import { gainSign, gainsOf } from './gainSign.ts';
import type { Hold } from './holds.ts';

const gains = gainsOf(USUAL);
const shot = (id: string) => USUAL.find((one) => one.id === id)!;
/** A hold whose card lies at a signal with a noise. */
const hold = (signal: number, temporal?: number) =>
  ({ card: { signal, ...(temporal === undefined ? {} : { temporal }) } }) as Hold;

describe('the gain of a hold by its noise', () => {
  it('is what the marks say of each shot: nothing for a shutter or a lamp, stops for an ISO', () => {
    expect(gains.get('first')).toBeCloseTo(0, 6);
    expect(gains.get('iso 1600 0')! - gains.get('iso 800 0')!).toBeCloseTo(1, 6);
    expect(gains.get('iso 200 0')! - gains.get('iso 800 0')!).toBeCloseTo(-2, 6);
    for (const { id, kind } of USUAL)
      if (kind === 'bracket' || kind === 'back') expect(gains.get(id)).toBeCloseTo(0, 6);
  });

  it('grows by the square root of two a stop (photons, EMVA 1288), near grey alone', () => {
    const base = 0.002;
    const sign = gainSign(gains, [hold(0.4, base)], 0.4);
    expect(sign.off(shot('first'), hold(0.4, base))).toBeCloseTo(0, 6);
    expect(sign.off(shot('iso 1600 0'), hold(0.4, base * Math.SQRT2))).toBeCloseTo(0, 6);
    expect(sign.off(shot('iso 3200 0'), hold(0.4, base * Math.SQRT2))).toBeLessThan(-1);
    expect(sign.off(shot('iso 3200 0'), hold(0.6, base))).toBe(0);
    expect(sign.off(shot('iso 3200 0'), hold(0.4))).toBe(0);
    expect(sign.off(shot('wall default'), hold(0.4, base * 4))).toBe(0);
  });

  it('says nothing where no hold has noise', () => {
    expect(gainSign(gains, [], 0.4).off(shot('first'), hold(0.4, 0.1))).toBe(0);
  });
});
