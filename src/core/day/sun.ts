import { getTimes } from 'suncalc';
import { failure, success, type Result } from '../result.ts';

type SunEvent = {
  readonly id: 'dawn' | 'sunrise' | 'goldenEnd' | 'noon' | 'golden' | 'sunset' | 'dusk';
  readonly name: string;
  readonly at: Date;
};

export type SunDay = {
  /** In their order; at high latitudes some do not happen. UTC instants. */
  readonly events: readonly SunEvent[];
  /** Where the sun does not rise or does not set. */
  readonly polar?: 'alwaysUp' | 'alwaysDown';
  readonly says?: string;
};

/** Latitude and longitude in degrees, north and east +. */
export type Place = { readonly latitude: number; readonly longitude: number };

/** Ours, the library's, in words. */
const EVENTS = [
  ['dawn', 'dawn', 'first light'],
  ['sunrise', 'sunrise', 'sunrise'],
  ['goldenEnd', 'goldenHourEnd', 'golden hour ends'],
  ['noon', 'solarNoon', 'noon'],
  ['golden', 'goldenHour', 'golden hour'],
  ['sunset', 'sunset', 'sunset'],
  ['dusk', 'dusk', 'last light'],
] as const;

/**
 * The sun's times of a day at a place, by suncalc (sun times good to about a minute away from the poles). `date` as
 * ISO 8601, `2026-06-21`.
 */
export const sunDay = (date: string, { latitude, longitude }: Place): Result<SunDay> => {
  if (!(Math.abs(latitude) <= 90))
    return failure('latitude', 'Latitude: type degrees from −90 to 90, north +.');
  if (!(Math.abs(longitude) <= 180))
    return failure('longitude', 'Longitude: type degrees from −180 to 180, east +.');
  const noon = new Date(`${date}T12:00:00Z`);
  if (Number.isNaN(noon.getTime())) return failure('date', 'Date: pick a day.');
  // The day is the place's own: its solar noon falls on the date there.
  const times = getTimes(new Date(noon.getTime() - (longitude / 360) * 86_400_000), latitude, longitude);
  const events = EVENTS.flatMap(([id, key, name]): SunEvent[] => {
    const at = times[key];
    return at instanceof Date && !Number.isNaN(at.getTime()) ? [{ id, name, at }] : [];
  });
  const polar = times.alwaysUp ? 'alwaysUp' : times.alwaysDown ? 'alwaysDown' : undefined;
  const says =
    polar === 'alwaysUp'
      ? 'The sun does not set on this day: no golden hour by the clock; watch its height.'
      : polar === 'alwaysDown'
        ? 'The sun does not rise on this day: twilight and lamps only.'
        : undefined;
  return success({ events: [...events].sort((a, b) => a.at.getTime() - b.at.getTime()), polar, says });
};
