import { describe, expect, it } from 'vitest';
import { shutterTable } from '../exposure/shutterTable.ts';
import {
  bitsPerPixel,
  cardMinutes,
  codingError,
  gigabytes,
  gradingMinutes,
  megabitsPerFrame,
} from './media.ts';
import { sunDay } from './sun.ts';

const minutes = (at: Date | undefined) =>
  at ? at.getUTCHours() * 60 + at.getUTCMinutes() + at.getUTCSeconds() / 60 : Number.NaN;
const timesOf = (date: string, latitude: number, longitude: number) => {
  const day = sunDay(date, { latitude, longitude });
  if (!day.ok) throw new Error(day.reason);
  return { ...day.value, at: (id: string) => minutes(day.value.events.find((event) => event.id === id)?.at) };
};

describe('the sun of a day', () => {
  it('stands twelve hours over the horizon at the equinox on the equator, noon by longitude', () => {
    const { at } = timesOf('2026-03-20', 0, 0);
    // Equation of time about -7.5 min on that day: solar noon 12:07 UTC (handbook figure, from memory).
    expect(Math.abs(at('noon') - (12 * 60 + 7.5))).toBeLessThan(2);
    // Refraction and the sun's radius add about 7 minutes.
    expect(at('sunset') - at('sunrise')).toBeGreaterThan(12 * 60 + 4);
    expect(at('sunset') - at('sunrise')).toBeLessThan(12 * 60 + 10);
    expect(timesOf('2026-03-20', 0, 15).at('noon') - at('noon')).toBeCloseTo(-60, 0);
  });

  it('gives the events in their order, golden hours inside the day', () => {
    const { events } = timesOf('2026-09-10', 60, 5);
    expect(events.map(({ id }) => id)).toEqual([
      'dawn',
      'sunrise',
      'goldenEnd',
      'noon',
      'golden',
      'sunset',
      'dusk',
    ]);
  });

  it('at 80 degrees north in June it does not set, in December it does not rise, and both are said', () => {
    const june = timesOf('2026-06-21', 80, 10);
    expect(june.polar).toBe('alwaysUp');
    expect(june.says).toMatch(/does not set/);
    expect(june.events.map(({ id }) => id)).toContain('noon');
    const december = timesOf('2026-12-21', 80, 10);
    expect(december.polar).toBe('alwaysDown');
    expect(december.says).toMatch(/does not rise/);
  });

  it('refuses a place or a day that is none', () => {
    expect(sunDay('2026-06-21', { latitude: 91, longitude: 0 })).toMatchObject({
      ok: false,
      where: 'latitude',
    });
    expect(sunDay('2026-06-21', { latitude: 0, longitude: 200 })).toMatchObject({
      ok: false,
      where: 'longitude',
    });
    expect(sunDay('soon', { latitude: 0, longitude: 0 })).toMatchObject({ ok: false, where: 'date' });
  });
});

describe('media and time', () => {
  it('100 Mb/s is 45 GB an hour, and a 128 GB card takes 153 minutes of it with a tenth free', () => {
    expect(gigabytes(100, 60)).toBeCloseTo(45, 9);
    expect(cardMinutes(100, 128)).toBeCloseTo(153.6, 9);
    expect(cardMinutes(100, 128) * 0.75).toBeCloseTo(gigabytes(100, cardMinutes(100, 128)), 9);
  });
  // By hand: 100 Mb/s over 24 frames are 4.2 Mb a frame; 12 Mb/s over 120 are 0.1.
  it('slow motion is compared by the frame', () => {
    expect(megabitsPerFrame(100, 24)).toBeCloseTo(4.2, 1);
    expect(megabitsPerFrame(12, 120)).toBeCloseTo(0.1, 9);
    expect(bitsPerPixel(100, 25, 3840, 2160)).toBeCloseTo(0.482, 3);
  });
  it('rounds off 6.02 dB more for a bit and sample less', () => {
    // Two samples a pixel: two bits a pixel less are one bit a sample.
    expect(20 * Math.log10(codingError(1, 3, 2))).toBeCloseTo(6.02, 2);
    expect(codingError(2, 2, 1.5)).toBe(1);
    expect(codingError(3, 1, 2)).toBeCloseTo(0.5, 9);
  });

  it('grading grows with clips and cameras, and nearly vanishes for a finished picture', () => {
    expect(gradingMinutes('log', 0, 2)).toBe(0);
    expect(gradingMinutes('log', 1, 1)).toBe(4);
    expect(gradingMinutes('log', 11, 1)).toBeCloseTo(12, 9);
    expect(gradingMinutes('log', 11, 2)).toBeCloseTo(18, 9);
    expect(gradingMinutes('finished', 11, 1)).toBeLessThan(2);
    expect(gradingMinutes('log', 11, 2, 8)).toBeCloseTo(36, 9);
    expect(gradingMinutes('flat', 1, 1, 8)).toBeCloseTo(5, 9);
  });
});

describe('the 180-degree table', () => {
  it('is twice the frame rate; a list of times takes the nearest, and says what flickers', () => {
    const times = [24, 25, 50, 60, 100, 120, 250].map(
      (denominator) => ({ kind: 'time', denominator }) as const,
    );
    const rows = shutterTable(times);
    expect(rows.map(({ exact }) => exact)).toEqual([48, 50, 60, 100, 120, 200, 240]);
    expect(rows[0]).toMatchObject({ nearest: { denominator: 50 }, safe50: true, safe60: false });
    expect(rows[2]).toMatchObject({ nearest: { denominator: 60 }, safe50: false, safe60: true });
    const angle = shutterTable(
      [
        { kind: 'angle', degrees: 172.8 },
        { kind: 'angle', degrees: 180 },
      ],
      [24],
    );
    expect(angle[0].nearest).toEqual({ kind: 'angle', degrees: 180 });
  });
});
