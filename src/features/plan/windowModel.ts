import { hasPatch, windowDay, type WindowHour } from '#core/day/windowLight.ts';
import { instantAt, zoneOf } from '#core/day/clock.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import type { WindowOfSetup } from '#store/records/window.ts';
import { clockHours, dateOfDay, sunOfDay, whenOf, type Sun } from '#ui/bench/daylight.ts';

export type WindowRow = WindowHour & { readonly hour: number };
export type WindowOfDay = {
  readonly rows: readonly WindowRow[];
  /** The longest stretch within a third of a stop, hours; undefined where it is shorter than one. */
  readonly steady?: { readonly from: number; readonly to: number };
  /** When the sun lies in the room, hours. */
  readonly patch?: { readonly from: number; readonly to: number };
};

/** Rows of the table an hour apart; stretches are found by the quarter. */
const EVERY = 0.25;
const WITHIN = 1 / 3;

const longestSteady = (rows: readonly WindowRow[]): WindowOfDay['steady'] => {
  let best = { from: 0, to: 0 };
  for (let i = 0; i < rows.length; i += 1) {
    let [low, high] = [rows[i].stops, rows[i].stops];
    for (let j = i; j < rows.length; j += 1) {
      low = Math.min(low, rows[j].stops);
      high = Math.max(high, rows[j].stops);
      if (high - low > WITHIN) break;
      if (rows[j].hour - rows[i].hour > best.to - best.from) best = { from: rows[i].hour, to: rows[j].hour };
    }
  }
  return best.to - best.from >= 1 ? best : undefined;
};

/** A window's light on the day of a set-up; undefined where place or date are none. */
export const windowOfDay = (
  setup: SetupRecord,
  sun: Sun,
  { facing, sky }: WindowOfSetup,
): WindowOfDay | undefined => {
  const { day, hour } = whenOf(setup);
  if (!sunOfDay(sun, day).ok) return undefined;
  const date = dateOfDay(sun, day);
  const zone = zoneOf(sun.clock);
  const instants = Array.from({ length: 24 / EVERY }, (_, i) => instantAt(date, i * EVERY, zone));
  const all = windowDay(instants, instantAt(date, hour, zone), sun, facing, sky).map((light) => ({
    ...light,
    hour: clockHours(light.at, { date, clock: sun.clock }),
  }));
  const lit = all.filter(hasPatch).map((row) => row.hour);
  const steady = longestSteady(all);
  return {
    rows: all.filter((row) => Math.abs(row.hour - Math.round(row.hour)) < 0.01),
    ...(steady ? { steady } : {}),
    ...(lit.length > 0 ? { patch: { from: lit[0], to: lit[lit.length - 1] } } : {}),
  };
};
