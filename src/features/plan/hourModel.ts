import { hourLight, minutesUntil, sunSide, type HourLight, type SunSide } from '#core/day/lightOfHour.ts';
import { instantAt, zoneOf } from '#core/day/clock.ts';
import type { SunDay } from '#core/day/sun.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { clockHours, dateOfDay, hoursOnSet, sunOfDay, whenOf, type Sun } from '#ui/bench/daylight.ts';

/** The light at one time of a set-up. */
export type HourRow = HourLight & {
  readonly id: string;
  readonly hour: number;
  /** Minutes until light or colour have moved so far that it is metered or balanced again. */
  readonly meterIn: number;
  readonly balanceIn: number;
};

/** A stretch of good light: the hours it lasts, and how many set-ups like this one fit in. */
type Stretch = {
  readonly id: 'morningGold' | 'eveningGold' | 'morningBlue' | 'eveningBlue';
  readonly from: number;
  readonly to: number;
  readonly fits: number;
};

/** Ends of each stretch among the sun's times. A further one is a row. */
const STRETCHES = [
  ['morningBlue', 'dawn', 'sunrise'],
  ['morningGold', 'sunrise', 'goldenEnd'],
  ['eveningGold', 'golden', 'sunset'],
  ['eveningBlue', 'sunset', 'dusk'],
] as const;

export type HoursOfSetup = {
  readonly rows: readonly HourRow[];
  readonly stretches: readonly Stretch[];
  /** Where the camera looks, and how the sun lies to that at the set-up's middle; undefined with the sun down. */
  readonly bearing: number;
  /** Somebody has said where it looks; else it is drawn to the north. */
  readonly isTurned: boolean;
  readonly side?: SunSide;
};

const rowAt = (id: string, hour: number, date: string, sun: Sun): HourRow => {
  const light = hourLight(instantAt(date, hour, zoneOf(sun.clock)), sun);
  const { meter, balance } = minutesUntil(light);
  return { ...light, id, hour, meterIn: meter, balanceIn: balance };
};

const stretchesOf = ({ events }: SunDay, date: string, sun: Sun, hours: number): readonly Stretch[] => {
  const at = (id: string) => {
    const event = events.find((one) => one.id === id);
    return event && clockHours(event.at, { date, clock: sun.clock });
  };
  return STRETCHES.flatMap(([id, first, last]): Stretch[] => {
    const [from, to] = [at(first), at(last)];
    return from === undefined || to === undefined
      ? []
      : [{ id, from, to, fits: Math.floor((to - from) / hours) }];
  });
};

/** Light at the beginning, middle and end of a set-up on its day; undefined where place or date are none. */
export const hoursOf = (setup: SetupRecord, sun: Sun): HoursOfSetup | undefined => {
  const { day, hour } = whenOf(setup);
  const found = sunOfDay(sun, day);
  if (!found.ok) return undefined;
  const date = dateOfDay(sun, day);
  const length = hoursOnSet(setup);
  const rows = [
    rowAt('start', hour, date, sun),
    rowAt('middle', hour + length / 2, date, sun),
    rowAt('end', hour + length, date, sun),
  ];
  const bearing = setup.when?.bearing ?? 0;
  const { altitude, azimuth } = rows[1];
  return {
    rows,
    stretches: stretchesOf(found.value, date, sun, length),
    bearing,
    isTurned: setup.when?.bearing !== undefined,
    ...(altitude > 0 ? { side: sunSide(bearing, azimuth) } : {}),
  };
};
