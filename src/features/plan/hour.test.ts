import { describe, expect, it } from 'vitest';
import { demoRecords } from '#store/demo/index.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { movedTo, reordered } from './dayModel.ts';
import { hoursOf } from './hourModel.ts';

const demo = demoRecords();
const sun = { latitude: 61.2, longitude: 4.8, date: '2026-04-14', clock: 2 };
const [plain, other] = demo.setups as SetupRecord[];
const at = (hour: number, bearing?: number): SetupRecord => ({
  ...plain,
  when: { day: 1, hour, ...(bearing === undefined ? {} : { bearing }) },
});

describe('the light of a set-up’s hours', () => {
  it('goes from its beginning to its end, with the stretches of the day and what fits in', () => {
    const found = hoursOf(at(17), sun)!;
    expect(found.rows.map(({ id }) => id)).toEqual(['start', 'middle', 'end']);
    expect(found.rows[0].hour).toBe(17);
    expect(found.rows[2].altitude).toBeLessThan(found.rows[0].altitude);
    expect(found.stretches.map(({ id }) => id)).toEqual([
      'morningBlue',
      'morningGold',
      'eveningGold',
      'eveningBlue',
    ]);
    for (const { from, to, fits } of found.stretches) {
      expect(to).toBeGreaterThan(from);
      expect(Number.isInteger(fits)).toBe(true);
    }
  });

  it('says from where the sun comes for where the camera looks, and nothing with the sun down', () => {
    const { azimuth } = hoursOf(at(12), sun)!.rows[1];
    expect(hoursOf(at(12, azimuth), sun)!.side).toBe('back');
    expect(hoursOf(at(12, (azimuth + 180) % 360), sun)!.side).toBe('front');
    expect(hoursOf(at(1, 90), sun)!.side).toBeUndefined();
    expect(hoursOf(at(12), { ...sun, latitude: 99 })).toBeUndefined();
  });

  it('where the camera looks stays with the set-up when it is moved or the order changes', () => {
    const [moved] = movedTo([at(9, 120), other], plain.id, { day: 1, hour: 14 });
    expect((moved.after as SetupRecord).when).toEqual({ day: 1, hour: 14, bearing: 120 });
    const turned = reordered([at(9, 120), { ...other, when: { day: 1, hour: 11 } }], [other, at(9, 120)]);
    const after = turned.find(({ id }) => id === plain.id)!.after as SetupRecord;
    expect(after.when).toEqual({ day: 1, hour: 11, bearing: 120 });
  });
});
