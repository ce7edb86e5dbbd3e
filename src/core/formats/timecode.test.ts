// Timecode against SMPTE ST 12-1, 2 (drop frame): the numbers that are left out, and a day's frames.
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseTimecode, printTimecode } from './timecode.ts';

const RATES = [
  { perSecond: 24, isDropFrame: false },
  { perSecond: 25, isDropFrame: false },
  { perSecond: 30, isDropFrame: false },
  { perSecond: 30, isDropFrame: true },
  { perSecond: 50, isDropFrame: false },
  { perSecond: 60, isDropFrame: true },
] as const;
/** A day: 29.97 frames a second are 2 589 408 of them. */
const DAY = {
  '24': 2_073_600,
  '25': 2_160_000,
  '30': 2_592_000,
  '30df': 2_589_408,
  '50': 4_320_000,
  '60df': 5_178_816,
};

describe('timecode', () => {
  it.each(RATES)('$perSecond, drop $isDropFrame: comes back over 24 hours', (rate) => {
    const day = DAY[`${rate.perSecond}${rate.isDropFrame ? 'df' : ''}` as keyof typeof DAY];
    const back = (frames: number) => {
      const read = parseTimecode(printTimecode({ frames, ...rate }), rate.perSecond);
      expect(read).toEqual({ ok: true, value: { frames, ...rate } });
    };
    fc.assert(fc.property(fc.integer({ min: 0, max: day - 1 }), back), { numRuns: 2000 });
    // About every minute of an hour.
    for (let minute = 0; minute < 60; minute += 1)
      for (let near = -3; near < 4; near += 1) back(Math.max(0, minute * 60 * rate.perSecond + near));
    expect(printTimecode({ frames: day, ...rate })).toBe(printTimecode({ frames: 0, ...rate }));
    expect(printTimecode({ frames: -1, ...rate })).toBe(printTimecode({ frames: day - 1, ...rate }));
  });

  it('leaves out the first two numbers of every minute but each tenth, at 60 the first four', () => {
    const at = (frames: number, perSecond: number) => printTimecode({ frames, perSecond, isDropFrame: true });
    expect([1799, 1800, 17_981, 17_982].map((n) => at(n, 30))).toEqual([
      '00:00:59;29',
      '00:01:00;02',
      '00:09:59;29',
      '00:10:00;00',
    ]);
    expect(at(3600, 60)).toBe('00:01:00;04');
    // Worked example: an hour of 29.97 is 107 892 frames.
    expect(at(107_892, 30)).toBe('01:00:00;00');
  });

  it.each([
    ['ten past', 25, /is no timecode/],
    ['24:00:00:00', 25, /no time of day/],
    ['10:00:00:25', 25, /no such frame at 25/],
    ['10:01:00;01', 30, /leaves out/],
    ['10:00:00;01', 25, /none of at 25/],
  ])('%s at %d a second is refused', (text, perSecond, reason) => {
    expect(parseTimecode(text, perSecond)).toMatchObject({
      ok: false,
      reason: expect.stringMatching(reason),
    });
  });
});
