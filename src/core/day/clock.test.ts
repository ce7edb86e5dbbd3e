import { describe, expect, it } from 'vitest';
import { dateAfter, dateIn, hoursInto, printInstant, zoneOf } from './clock.ts';

describe('the clock of a place', () => {
  it.each([
    [2, '+02:00'],
    [0, '+00:00'],
    [-3.5, '-03:30'],
    [5.75, '+05:45'],
    [14, '+14:00'],
  ])('%f hours from UTC is written %s (ISO 8601)', (hours, zone) => expect(zoneOf(hours)).toBe(zone));

  it('tells the date there, not the reader’s', () => {
    const late = new Date('2026-04-14T23:30:00Z');
    expect(dateIn(late, '+02:00')).toBe('2026-04-15');
    expect(dateIn(late, '-03:30')).toBe('2026-04-14');
  });

  it('counts days over the ends of months and leap years', () => {
    expect(dateAfter('2026-04-30', 1)).toBe('2026-05-01');
    expect(dateAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect(dateAfter('2026-12-31', 98)).toBe('2027-04-08');
    expect(dateAfter('2026-04-14', 0)).toBe('2026-04-14');
  });

  it('counts hours from the midnight there', () => {
    expect(hoursInto(new Date('2026-04-14T10:00:00Z'), '2026-04-14', '+02:00')).toBe(12);
    expect(hoursInto(new Date('2026-04-14T23:00:00Z'), '2026-04-14', '+02:00')).toBe(25);
    expect(hoursInto(new Date('2026-04-13T22:00:00Z'), '2026-04-14', '+02:00')).toBe(0);
  });

  it('prints a moment on the clock there', () => {
    expect(printInstant('2026-04-14T22:05:00Z', '+02:00')).toBe('15 Apr, 00:05');
    expect(printInstant('2026-04-14T22:05:00Z', '-10:00')).toBe('14 Apr, 12:05');
  });
});
