import { deviation as spreadOf, mean as average, median } from 'd3-array';
import { said } from '../said.ts';
import { SEEN_MIRED } from '../colour/balance.ts';
import { sensorFromFloor, snrAt, type SensorModel } from '../noise/sensorNoise.ts';
import { printStops, printStopsDecimal } from '../units.ts';
import { isRight, type KeptMark, type PracticeResult } from './result.ts';
import type { Mark } from './judge.ts';
import type { Ask, MissUnit } from './types.ts';

/** So many of the latest answers say how somebody stands now. */
const LATEST = 8;
/** Under so many nothing is said of skill: one hit can be luck. */
const ENOUGH = 4;

const mean = (values: readonly number[]): number => average(values) ?? 0;
/** Standard deviation, n − 1. */
const deviation = (values: readonly number[]): number => spreadOf(values) ?? 0;

export type Footing = {
  readonly unit: MissUnit;
  readonly count: number;
  /** Mean miss, signed; + is over the truth. Of choices the share that is wrong. */
  readonly bias: number;
  /** Standard deviation of the misses. */
  readonly spread: number;
  /** Mean of the tolerances that were asked for. */
  readonly tolerance: number;
  /**
   * `sure`: bias and spread together lie within the tolerance. `lucky`: the answers were right as often, but lie
   * further apart than that. `off`: a steady miss, which can be taken off. `wild`: no steady miss, and far apart.
   * `few`: too few to tell.
   */
  readonly says: 'sure' | 'lucky' | 'off' | 'wild' | 'few';
};

/** What the latest answers of one drill in one unit say together. */
export const footingOf = (marks: readonly KeptMark[], unit: MissUnit): Footing | undefined => {
  const own = marks.filter((mark) => mark.unit === unit).slice(-LATEST);
  if (own.length === 0) return undefined;
  const misses = own.map(({ miss, ok }) => (unit === 'choices' ? (ok ? 0 : 1) : miss));
  const [bias, spread] = [mean(misses), deviation(misses)];
  const tolerance = unit === 'choices' ? 0 : mean(own.map((mark) => mark.tolerance));
  const right = own.filter(({ ok }) => ok).length / own.length;
  const base = { unit, count: own.length, bias, spread, tolerance };
  if (own.length < ENOUGH) return { ...base, says: 'few' };
  if (unit === 'choices') return { ...base, says: right > 0.8 ? 'sure' : 'wild' };
  if (Math.hypot(bias, spread) <= tolerance) return { ...base, says: 'sure' };
  if (Math.abs(bias) > tolerance / 2 && Math.abs(bias) > spread) return { ...base, says: 'off' };
  return { ...base, says: right >= 0.5 ? 'lucky' : 'wild' };
};

/** Seconds that the latest answers took: their middle, since one that was left lying says nothing. */
export const secondsOf = (results: readonly Pick<PracticeResult, 'seconds'>[]): number =>
  median(results.slice(-LATEST), ({ seconds }) => seconds) ?? 0;

/** The unit in which a drill is mostly answered. */
export const unitOf = (results: readonly PracticeResult[]): MissUnit => {
  const units = results.flatMap(({ marks }) => marks.map(({ unit }) => unit));
  return units.find((unit) => unit !== 'choices') ?? 'choices';
};

export const printMiss = (unit: MissUnit, miss: number): string => {
  const sign = miss >= 0 ? '+' : '−';
  if (unit === 'stops') return `${printStopsDecimal(miss)} stops`;
  if (unit === 'mired') return `${sign}${Math.abs(miss).toFixed(0)} mired`;
  if (unit === 'percent') return `${sign}${Math.abs(miss).toFixed(1)} %`;
  return `${Math.round(100 * miss)} % wrong`;
};

/** A habit: a steady miss, in which drill, with which face or under what, enough of them to be said. */
export type Habit = {
  readonly drill: string;
  readonly subjectId?: string;
  readonly when?: string;
  readonly unit: MissUnit;
  readonly bias: number;
  readonly spread: number;
  readonly count: number;
};

/** A mean is told from nothing where it lies two of its own errors away (about 95 %). */
const CLEAR = 2;

/** Steady misses, the largest against its tolerance first. */
export const habitsOf = (results: readonly PracticeResult[]): Habit[] => {
  type Key = Pick<Habit, 'drill' | 'subjectId' | 'when' | 'unit'>;
  const groups = new Map<string, { key: Key; marks: KeptMark[] }>();
  for (const { drill, subjectId, when, marks } of results)
    for (const mark of marks) {
      if (mark.unit === 'choices') continue;
      const parts = [
        {},
        ...(subjectId === undefined ? [] : [{ subjectId }]),
        ...(when === undefined ? [] : [{ when }]),
      ];
      for (const part of parts) {
        const key: Key = { drill, unit: mark.unit, ...part };
        const id = JSON.stringify(key);
        const group = groups.get(id) ?? { key, marks: [] };
        group.marks.push(mark);
        groups.set(id, group);
      }
    }
  return [...groups.values()]
    .map(({ key, marks }) => {
      const latest = marks.slice(-2 * LATEST);
      const misses = latest.map(({ miss }) => miss);
      const [bias, spread] = [mean(misses), deviation(misses)];
      const tolerance = mean(latest.map((mark) => mark.tolerance));
      return {
        ...key,
        bias,
        spread,
        count: misses.length,
        weight: Math.abs(bias) / Math.max(tolerance, 1e-9),
      };
    })
    .filter(({ bias, spread, count, weight }) => {
      const error = spread / Math.sqrt(count);
      return count >= ENOUGH && weight > 1 / 2 && Math.abs(bias) > CLEAR * error;
    })
    .sort((a, b) => b.weight - a.weight)
    .map(({ weight: _, ...habit }) => habit);
};

/** What a shoot asks for that is not there yet: drills whose latest answers are not sure. */
export type Readiness = {
  readonly right: number;
  readonly tasks: number;
  /** Of the weakest: what is off, and by how much. */
  readonly weak: readonly { readonly drill: string; readonly unit: MissUnit; readonly miss: number }[];
};

/** The result of a check of several tasks. */
export const readinessOf = (results: readonly PracticeResult[]): Readiness => {
  const weak = results
    .filter((result) => !isRight(result))
    .map(({ drill, marks }) => {
      const worst = marks
        .filter(({ ok }) => !ok)
        .sort((a, b) => Math.abs(b.miss) / (b.tolerance || 1) - Math.abs(a.miss) / (a.tolerance || 1))[0];
      return { drill, unit: worst.unit, miss: worst.miss };
    });
  return { right: results.length - weak.length, tasks: results.length, weak };
};

/** Ready with nine of ten: one slip is human. Our own. */
const READY_SHARE = 0.9;
export const isReady = ({ right, tasks }: Readiness): boolean => tasks > 0 && right / tasks >= READY_SHARE;

/** A shadow that still counts, stops over grey. Our own. */
const SHADOW = -4;

/** What a miss of exposure would have cost in post, stops; noise by the camera's own sensor. */
const costOfStops = (miss: number, sensor: SensorModel): string => {
  const size = Math.abs(miss);
  if (size <= 1 / 3 + 1e-9) return 'Nobody would see it after grading.';
  const stops = `${printStops(size).replace('+', '')} ${size > 1 ? 'stops' : 'stop'}`;
  if (miss < 0) {
    const noise = (tone: number) => (snrAt(sensor, tone) / snrAt(sensor, tone + miss)).toFixed(1);
    return said(
      `Lifted by ${stops} in post: noise against the picture ${noise(0)} times at grey,`,
      `${noise(SHADOW)} times four stops under it.`,
    );
  }
  return said(
    `Brought down by ${stops} in post: clean, as long as nothing was lost: the highlights had`,
    `${stops} less room.`,
  );
};

/** What a dial that stands so many mired over the light, + too low in kelvin, would have cost. */
const costOfMired = (miss: number): string => {
  if (Math.abs(miss) <= SEEN_MIRED) return 'Nobody would see it.';
  const way = miss > 0 ? 'cold' : 'warm';
  return said(
    `The picture is ${Math.abs(miss).toFixed(0)} mired too ${way}: a gain on the light puts`,
    'it right in post, as long as no channel has clipped and all lamps lean alike.',
  );
};

/** What a miss would have cost: only what was set on a camera does; a reading that was wrong costs nothing in post. */
export const costOf = (
  ask: Ask,
  { miss, ok }: Pick<Mark, 'miss' | 'ok'>,
  { floorStops }: { readonly floorStops: number },
): string | undefined => {
  if (ask.kind !== 'number') return undefined;
  if (ask.unit === 'kelvin') return ok ? undefined : costOfMired(miss);
  return ask.by === 'typing' || ask.by === 'spot'
    ? undefined
    : costOfStops(miss, sensorFromFloor(floorStops));
};
