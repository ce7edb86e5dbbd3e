import { describe, expect, it } from 'vitest';
import { gaussian, seededRandom } from '../random.ts';
import { costOf, footingOf, habitsOf, isReady, printMiss, readinessOf, secondsOf } from './progress.ts';
import type { KeptMark, PracticeResult } from './result.ts';
import { dueOf, levelAfter, nextRound } from './schedule.ts';
import type { Level, NumberAsk } from './types.ts';

const mark = (miss: number, tolerance = 1 / 3): KeptMark => ({
  ask: 'card',
  unit: 'stops',
  miss,
  tolerance,
  ok: Math.abs(miss) <= tolerance,
});
const DAY = 86_400_000;
const START = Date.parse('2026-04-14T08:00:00Z');
const result = (
  drill: string,
  day: number,
  miss: number,
  own: Partial<PracticeResult> = {},
): PracticeResult => ({
  drill,
  level: 1,
  seed: day,
  at: new Date(START + day * DAY).toISOString(),
  seconds: 30,
  marks: [mark(miss)],
  ...own,
});
const day = (at: number) => new Date(START + at * DAY);

describe('the time that it takes', () => {
  it('is the middle of the latest eight: one that was left lying says nothing', () => {
    expect(secondsOf([])).toBe(0);
    const slow = Array.from({ length: 10 }, () => ({ seconds: 90 }));
    const fast = Array.from({ length: 8 }, (_, i) => ({ seconds: i === 3 ? 5000 : 20 }));
    expect(secondsOf([...slow, ...fast])).toBe(20);
  });
});

describe('a lucky guess and skill', () => {
  const marks = (bias: number, spread: number, count = 8) => {
    const noise = gaussian(seededRandom(count * 1000 + Math.round(100 * spread)));
    return Array.from({ length: count }, () => mark(bias + spread * noise()));
  };
  it('says nothing of few answers, however good they are', () => {
    expect(footingOf([mark(0), mark(0), mark(0)], 'stops')?.says).toBe('few');
  });
  it('tells the sure from the lucky by how far apart the answers lie', () => {
    expect(footingOf(marks(0, 0.1), 'stops')?.says).toBe('sure');
    expect(footingOf(marks(0, 0.45), 'stops')?.says).toBe('lucky');
    expect(footingOf(marks(0, 1.5), 'stops')?.says).toBe('wild');
  });
  it('tells a steady miss, which can be taken off', () => {
    const footing = footingOf(marks(0.8, 0.1), 'stops');
    expect(footing?.says).toBe('off');
    expect(Math.abs(footing!.bias - 0.8)).toBeLessThan(0.1);
  });
  it('goes by the latest alone', () => {
    expect(footingOf([...marks(2, 0.1), ...marks(0, 0.1)], 'stops')?.says).toBe('sure');
  });
});

describe('habits', () => {
  it('finds whose face is under-exposed, and does not find what is chance', () => {
    const noise = gaussian(seededRandom(4));
    const results = Array.from({ length: 40 }, (_, i) =>
      result('expose-skin', i, (i % 2 === 0 ? -0.5 : 0) + 0.15 * noise(), {
        subjectId: i % 2 === 0 ? 'ola' : 'ana',
      }),
    );
    const habits = habitsOf(results);
    expect(habits[0]).toMatchObject({ drill: 'expose-skin', subjectId: 'ola', unit: 'stops' });
    expect(habits[0].bias).toBeCloseTo(-0.5, 1);
    expect(habits.some(({ subjectId }) => subjectId === 'ana')).toBe(false);
  });
  it('finds under what it happens', () => {
    const noise = gaussian(seededRandom(9));
    const results = Array.from({ length: 40 }, (_, i) => {
      const when = i % 2 === 0 ? 'a dark screen' : 'a bright screen';
      return result('expose-screen', i, (i % 2 === 0 ? 0.5 : 0) + 0.1 * noise(), { when });
    });
    expect(habitsOf(results)[0]).toMatchObject({ drill: 'expose-screen', when: 'a dark screen' });
    expect(habitsOf(results).some(({ when }) => when === 'a bright screen')).toBe(false);
  });
  it('needs more than a few', () => {
    expect(habitsOf([result('a', 0, 1), result('a', 1, 1), result('a', 2, 1)])).toEqual([]);
  });
});

describe('the schedule', () => {
  it('moves up after three right in a row, and down after two wrong', () => {
    const right = [0, 1, 2].map((at) => result('a', at, 0));
    expect(levelAfter([])).toBe(1);
    expect(levelAfter(right.slice(0, 2))).toBe(1);
    expect(levelAfter(right)).toBe(2);
    const wrong = [3, 4].map((at) => result('a', at, 2, { level: 2 }));
    expect(levelAfter([...right, wrong[0]])).toBe(2);
    expect(levelAfter([...right, ...wrong])).toBe(1);
    const sure = Array.from({ length: 30 }, (_, i) =>
      result('a', i, 0, { level: Math.min(3, 1 + Math.floor(i / 3)) as Level }),
    );
    expect(levelAfter(sure)).toBe(3);
  });
  it('comes back later after each right answer, and soon after a wrong one', () => {
    const gap = (results: readonly PracticeResult[]) =>
      Date.parse(dueOf('a', results, day(20)).due!) - Date.parse(results.at(-1)!.at);
    const once = [result('a', 0, 0)];
    const twice = [...once, result('a', 3, 0)];
    expect(gap(twice)).toBeGreaterThan(gap(once));
    expect(gap([...twice, result('a', 10, 2)])).toBeLessThan(gap(twice));
  });
  it('does not depend on the order in which results were kept', () => {
    const results = [result('a', 0, 0), result('a', 3, 0.2), result('a', 9, 2)];
    expect(dueOf('a', [...results].reverse(), day(12))).toEqual(dueOf('a', results, day(12)));
  });
  it('asks for what is forgotten first, then for what is new, then for the rest', () => {
    const results = [
      result('sure', 0, 0.25),
      result('sure', 4, 0.25),
      result('shaky', 0, 2),
      result('just done', 399.9, 0),
    ];
    const round = nextRound(['just done', 'new', 'sure', 'shaky'], results, day(30));
    expect(round.map(({ drill }) => drill)).toEqual(['shaky', 'sure', 'new', 'just done']);
  });
});

describe('a check before a shoot', () => {
  it('is plain: nine of ten, and what is weak with its miss', () => {
    const results = [
      ...Array.from({ length: 9 }, (_, i) => result('a', i, 0)),
      result('meter-whole', 9, 0.7),
    ];
    const readiness = readinessOf(results);
    expect(isReady(readiness)).toBe(true);
    expect(readiness.weak).toEqual([{ drill: 'meter-whole', unit: 'stops', miss: 0.7 }]);
    expect(isReady(readinessOf([...results, result('b', 11, 1), result('c', 12, 1)]))).toBe(false);
    expect(isReady(readinessOf([]))).toBe(false);
  });
});

describe('what a miss costs', () => {
  const ask = (own: Partial<NumberAsk>): NumberAsk => ({
    id: 'card',
    kind: 'number',
    label: '',
    unit: 'stops',
    by: 'camera',
    truth: [0, 0],
    tolerance: 1 / 3,
    within: [-9, 9],
    step: 1 / 3,
    ...own,
  });
  const cost = (miss: number, own: Partial<NumberAsk> = {}) =>
    costOf(ask(own), { miss, ok: false }, { floorStops: -6 });
  it('does not scold for a third, and counts noise by photons: a stop under is 1.4 times', () => {
    expect(cost(1 / 3)).toMatch(/nobody/i);
    expect(cost(-1)).toContain('1.4 times');
    expect(cost(1)).toMatch(/clean/);
    expect(cost(1, { by: 'typing' })).toBeUndefined();
    expect(cost(40, { by: 'typing', unit: 'mired' })).toBeUndefined();
    // Dialled 40 mired too warm a light: the picture turns cold.
    expect(cost(40, { unit: 'kelvin' })).toMatch(/40 mired too cold/);
    expect(printMiss('mired', -12.4)).toBe('−12 mired');
  });
});
