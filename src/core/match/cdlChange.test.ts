import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { NEUTRAL_CDL } from '../lut/cdl.ts';
import { cdlChange } from './cdlChange.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const profile = ARCHETYPES.classicLog;
const on = { profile, coding, at: 1 };

describe('what was changed between two corrections', () => {
  it('is told in stops on the card, whatever was handed over', () => {
    const { transfer } = compileProfile(profile);
    // The card a stop over grey as a code of 10 bit over 1023, and light of a code: by hand.
    const card = (64 + 876 * transfer.encode(0.36)) / 1023;
    const light = (code: number) => transfer.decode((1023 * code - 64) / 876);
    const offset = (v: number) => ({ ...NEUTRAL_CDL, offset: [v, v, v] as const });
    for (const [before, after] of [
      [0, 0.03],
      [0.02, -0.04],
    ]) {
      const wanted = Math.log2(light(card + after) / light(card + before));
      expect(cdlChange(offset(before), offset(after), on).stops).toBeCloseTo(wanted, 6);
      expect(Math.abs(wanted)).toBeGreaterThan(0.2);
    }
  });

  it('red lifted is warmer, blue lifted cooler, and the same is nothing', () => {
    const offset = (r: number, b: number) => ({ ...NEUTRAL_CDL, offset: [r, 0, b] as const });
    expect(cdlChange(NEUTRAL_CDL, offset(0.02, 0), on).warmer).toBeGreaterThan(0.1);
    expect(cdlChange(NEUTRAL_CDL, offset(0, 0.02), on).warmer).toBeLessThan(-0.1);
    expect(cdlChange(offset(0.02, 0), offset(0.02, 0), on)).toEqual({ stops: 0, warmer: 0, saturation: 1 });
    expect(cdlChange(NEUTRAL_CDL, { ...NEUTRAL_CDL, saturation: 1.2 }, on).saturation).toBeCloseTo(1.2, 9);
  });
});
