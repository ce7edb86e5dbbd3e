import { dequal } from 'dequal';
import { dateAfter, hoursInto, zoneOf } from '#core/day/clock.ts';
import { sunDay, type SunDay } from '#core/day/sun.ts';
import type { Result } from '#core/result.ts';
import type { BookRecords } from '#store/book.ts';
import type { Change } from '#store/edits.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { setupsOf } from '#store/selection.ts';
import { balanceAgain } from './planWords.ts';

export type Sun = NonNullable<ShootRecord['sun']>;
export type When = NonNullable<SetupRecord['when']>;

/** Where a set-up stands that has no hour yet. */
const MORNING: When = { day: 1, hour: 9 };
export const whenOf = ({ when }: Pick<SetupRecord, 'when'>): When => when ?? MORNING;

/** About a third of the time on a set-up is recorded; never under three quarters of an hour. Our own. */
export const hoursOnSet = ({ brief }: Pick<SetupRecord, 'brief'>): number =>
  Math.min(6, Math.max(0.75, (3 * brief.minutes) / 60));

/** Hours on the clock of the place, 0..24 of its own day. */
export const clockHours = (at: Date, { date, clock }: Pick<Sun, 'date' | 'clock'>): number =>
  hoursInto(at, date, zoneOf(clock));

export const printHours = (hours: number): string => {
  const minutes = Math.round((((hours % 24) + 24) % 24) * 60);
  return `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/** The date of a day of the shoot, ISO 8601. */
export const dateOfDay = ({ date }: Pick<Sun, 'date'>, day: number): string => dateAfter(date, day - 1);

/** Sun times of a day of the shoot; failure where place or date are none. */
export const sunOfDay = (sun: Sun, day: number): Result<SunDay> => sunDay(dateOfDay(sun, day), sun);

export type ShootDay = { readonly day: number; readonly setups: readonly SetupRecord[] };

/** The days of a shoot in order, each with its set-ups by the hour. */
export const daysOf = (records: BookRecords, shootId: string): ShootDay[] => {
  const setups = setupsOf(records, shootId);
  const last = Math.max(1, ...setups.map((setup) => whenOf(setup).day));
  return Array.from({ length: last }, (_, i) => ({
    day: i + 1,
    setups: setups
      .filter((setup) => whenOf(setup).day === i + 1)
      .sort((a, b) => whenOf(a).hour - whenOf(b).hour || a.order - b.order),
  }));
};

const changesFor = (setups: readonly SetupRecord[], after: readonly SetupRecord[]): Change[] =>
  after.flatMap((next) => {
    const before = setups.find(({ id }) => id === next.id);
    return before && !dequal(before, next)
      ? [{ table: 'setups' as const, id: next.id, before, after: next }]
      : [];
  });

const byTime = (a: SetupRecord, b: SetupRecord) => {
  const [x, y] = [whenOf(a), whenOf(b)];
  return x.day - y.day || x.hour - y.hour || a.order - b.order;
};

/** As far as a shoot's days are counted. */
const LAST_DAY = 99;
/** A set-up moved to another day or hour; the order of work follows the clock. */
export const movedTo = (setups: readonly SetupRecord[], id: string, when: When): Change[] => {
  const hour = Math.min(23.75, Math.max(0, Math.round(when.hour * 4) / 4));
  const day = Math.min(LAST_DAY, Math.max(1, when.day));
  const moved = setups.map((setup) => (setup.id === id ? { ...setup, when: { day, hour } } : setup));
  return changesFor(
    setups,
    moved.toSorted(byTime).map((setup, i) => ({ ...setup, order: i + 1 })),
  );
};

/** Set-ups in a new order: each takes the hour that its new place had. */
export const reordered = (setups: readonly SetupRecord[], ordered: readonly SetupRecord[]): Change[] => {
  const slots = setups.toSorted(byTime).map(whenOf);
  return changesFor(
    setups,
    ordered.map((setup, i) => ({ ...setup, order: i + 1, when: slots[i] })),
  );
};

/** Changes of daylight that a balance outlives badly. */
const TURNS = {
  sunrise: 'Sunrise',
  goldenEnd: 'The end of golden hour',
  golden: 'Golden hour',
  sunset: 'Sunset',
  dusk: 'Last light',
} as const;

/** When to balance again: what the sky does while this set-up is shot, one sentence each. */
export const reminders = (setup: SetupRecord, sun: Sun | undefined): string[] => {
  const { day, hour } = whenOf(setup);
  const said = setup.brief.changing
    ? ['Sun to cloud and back: balance again when it turns, between shots, never within one.']
    : [];
  if (!sun || !setup.brief.outside) return said;
  const found = sunOfDay(sun, day);
  if (!found.ok) return said;
  const clock = { date: dateOfDay(sun, day), clock: sun.clock };
  const end = hour + hoursOnSet(setup);
  const turns = found.value.events.flatMap(({ id, at }) => {
    const when = clockHours(at, clock);
    return id in TURNS && when > hour && when < end
      ? [balanceAgain(TURNS[id as keyof typeof TURNS], printHours(when))]
      : [];
  });
  return [...said, ...turns];
};
