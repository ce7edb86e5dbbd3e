import { dateAfter, hoursInto, zoneOf } from '#core/day/clock.ts';
import { sunDay, type SunDay } from '#core/day/sun.ts';
import type { Result } from '#core/result.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import type { ShootRecord } from '#store/records/shoot.ts';

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

/** Changes of daylight that a balance outlives badly. */
const TURNS = {
  sunrise: 'Sunrise',
  goldenEnd: 'The end of golden hour',
  golden: 'Golden hour',
  sunset: 'Sunset',
  dusk: 'Last light',
} as const;

/** What the sky does while a set-up is shot; none where its place or date are none. */
export const sunTurns = (
  setup: SetupRecord,
  sun: Sun,
): readonly { readonly name: string; readonly hour: number }[] => {
  const { day, hour } = whenOf(setup);
  const found = sunOfDay(sun, day);
  if (!found.ok) return [];
  const clock = { date: dateOfDay(sun, day), clock: sun.clock };
  const end = hour + hoursOnSet(setup);
  return found.value.events.flatMap(({ id, at }) => {
    const when = clockHours(at, clock);
    return id in TURNS && when > hour && when < end
      ? [{ name: TURNS[id as keyof typeof TURNS], hour: when }]
      : [];
  });
};
