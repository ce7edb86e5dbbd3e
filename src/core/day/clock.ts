import { TZDate } from '@date-fns/tz';
import { addDays, formatISO, lightFormat, startOfDay } from 'date-fns';

/** The time zone of a clock that is some hours from UTC, as ISO 8601 writes an offset: `+02:00`. */
export const zoneOf = (hoursFromUtc: number): string => {
  const minutes = Math.round(Math.abs(hoursFromUtc) * 60);
  const part = (value: number) => String(value).padStart(2, '0');
  return `${hoursFromUtc < 0 ? '-' : '+'}${part(Math.floor(minutes / 60))}:${part(minutes % 60)}`;
};

/** An instant on the clock of a zone; without one, on the reader's own. */
const onClock = (at: Date, zone?: string): Date => (zone === undefined ? at : new TZDate(at.getTime(), zone));

/** The date on the clock of a zone, ISO 8601; without one, on the reader's own. */
export const dateIn = (at: Date, zone?: string): string =>
  formatISO(onClock(at, zone), { representation: 'date' });

/** The date some days after another one, both ISO 8601. */
export const dateAfter = (date: string, days: number): string =>
  formatISO(addDays(new TZDate(`${date}T00:00:00Z`, 'UTC'), days), { representation: 'date' });

const MS_AN_HOUR = 3_600_000;
const midnightOf = (date: string, zone: string): number => {
  const [year, month, day] = date.split('-').map(Number);
  return startOfDay(new TZDate(year, month - 1, day, zone)).getTime();
};

/** Hours from the midnight that a date begins with, on the clock of a zone, to an instant; 24 and more on the next. */
export const hoursInto = (at: Date, date: string, zone: string): number =>
  (at.getTime() - midnightOf(date, zone)) / MS_AN_HOUR;

/** The instant some hours after the midnight that a date begins with, on the clock of a zone. */
export const instantAt = (date: string, hours: number, zone: string): Date =>
  new Date(midnightOf(date, zone) + hours * MS_AN_HOUR);

// The library's own names of months would bring all its languages along.
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `15:20` on the clock of a zone; without one, on the reader's own. */
export const timeIn = (iso: string, zone?: string): string =>
  lightFormat(onClock(new Date(iso), zone), 'HH:mm');

/** `14 Apr, 15:20` on the clock of a zone; without one, on the reader's own. */
export const printInstant = (iso: string, zone?: string): string => {
  const there = onClock(new Date(iso), zone);
  return `${there.getDate()} ${MONTHS[there.getMonth()]}, ${timeIn(iso, zone)}`;
};

/** `14 Apr` of a date, ISO 8601. */
export const printDate = (date: string): string => {
  const [, month, day] = date.split('-').map(Number);
  return `${day} ${MONTHS[month - 1] ?? '?'}`;
};

/** `14 Apr 2026` of a date, ISO 8601. */
export const printDay = (date: string): string => `${printDate(date)} ${date.slice(0, 4)}`;
