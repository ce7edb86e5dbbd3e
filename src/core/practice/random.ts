import { hashOf } from '../hash.ts';
import { seededRandom, type Random } from '../random.ts';
import { toThird } from '../units.ts';

/** A source of numbers of its own for a drill, a level and a seed. */
export const randomFor = (drill: string, level: number, seed: number): Random =>
  seededRandom(hashOf(`${drill} ${level} ${seed}`));

/** One of a list. @throws RangeError where it is empty */
export const pick = <T>(random: Random, list: readonly T[]): T => {
  if (list.length === 0) throw new RangeError('pick: the list is empty');
  return list[Math.floor(random() * list.length)];
};

/** A whole number from low to high, both among them. */
export const whole = (random: Random, low: number, high: number): number =>
  low + Math.floor(random() * (high - low + 1));

/** Thirds of a stop from low to high. */
export const thirds = (random: Random, low: number, high: number): number =>
  toThird(whole(random, Math.ceil(low * 3), Math.floor(high * 3)) / 3);

/** Thirds of a stop from low to high, up or down. */
export const away = (random: Random, low: number, high: number): number =>
  thirds(random, low, high) * (random() < 0.5 ? -1 : 1);

/** The same things in another order (Fisher and Yates, after Durstenfeld 1964). */
export const shuffled = <T>(random: Random, list: readonly T[]): T[] => {
  const left = [...list];
  for (let i = left.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    [left[i], left[j]] = [left[j], left[i]];
  }
  return left;
};
