import { describe, expect, it } from 'vitest';
import type { WindowSky } from '#core/day/windowLight.ts';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { windowOfDay, type WindowOfDay } from './windowModel.ts';

/** The interview of the demo by a window that looks there. */
const windowDayOf = (facing: number, sky: WindowSky): WindowOfDay | undefined => {
  const { setup, shoot } = demoSelection('bench-interview', 'a-cam');
  return shoot.sun && windowOfDay(setup, shoot.sun, { facing, sky });
};

/** Rows stand at whole hours, one after the other. */
const hoursAreIn = ({ rows }: WindowOfDay): boolean =>
  rows.every(({ hour }, i) => i === 0 || Math.abs(hour - rows[i - 1].hour - 1) < 0.02);

describe('window light on the day of a set-up', () => {
  it('says when it is steady and when the sun comes in, by where the window looks', () => {
    const [north, south] = [0, 180].map((facing) => windowDayOf(facing, 'clear')!);
    expect(north.rows.length).toBeGreaterThan(8);
    expect(south.patch).toBeDefined();
    expect(north.patch && south.patch && north.patch.to - north.patch.from).not.toBe(
      south.patch!.to - south.patch!.from,
    );
    expect(north.steady!.to - north.steady!.from).toBeGreaterThanOrEqual(1);
    expect(hoursAreIn(north)).toBe(true);
    expect(windowDayOf(180, 'cloudy')!.patch).toBeUndefined();
  });
});
