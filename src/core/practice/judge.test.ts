import { describe, expect, it } from 'vitest';
import { printPlace } from './asks.ts';
import { judge, onMissScale, rightAnswer } from './judge.ts';
import type { Answers, Ask, NumberAsk } from './types.ts';

const number = (own: Partial<NumberAsk>): NumberAsk => ({
  id: 'a',
  kind: 'number',
  label: 'a',
  unit: 'stops',
  by: 'typing',
  truth: [1, 1],
  tolerance: 1 / 3,
  within: [-10, 10],
  step: 1 / 3,
  ...own,
});
const markOf = (ask: Ask, answer: number | string | readonly string[]) =>
  judge({ asks: [ask] }, { a: answer }).marks[0];

describe('a place that is aimed for', () => {
  it('is told in thirds where it is one, else in tenths', () => {
    expect([1 / 3, 1, -2 / 3, 0].map(printPlace)).toEqual(['+1/3', '+1', '−2/3', '0']);
    // A face 0.2 over grey is not a third over it.
    expect([0.2, 1.2, 4.23].map(printPlace)).toEqual(['+0.2', '+1.2', '+4.2']);
  });
});

describe('a scale of misses', () => {
  it('has more mired for a warmer light, and a stop less light for each whole f-number', () => {
    // 1e6 / 4000 = 250; f/4 to f/5.6 (exactly 4 * sqrt 2) is one stop: by definition.
    expect(onMissScale('kelvin', 4000)).toBeCloseTo(250, 9);
    expect(onMissScale('f-number', 4 * Math.SQRT2) - onMissScale('f-number', 4)).toBeCloseTo(-1, 9);
    expect(onMissScale('stops', -1.5)).toBe(-1.5);
  });
});

describe('an answer in numbers', () => {
  it('is full marks up to its tolerance, in thirds too, and nothing at four of it', () => {
    const ask = number({});
    expect(markOf(ask, 1 + 1 / 3)).toMatchObject({ ok: true, share: 1 });
    expect(markOf(ask, 1 - 1 / 3 - 0.01).ok).toBe(false);
    expect(markOf(ask, 1 + 2.5 / 3).share).toBeCloseTo(0.5, 6);
    expect(markOf(ask, 1 + 4 / 3).share).toBeCloseTo(0, 6);
  });
  it('says which way it missed', () => {
    expect(markOf(number({}), 2).miss).toBeCloseTo(1, 6);
    expect(markOf(number({}), 0).miss).toBeCloseTo(-1, 6);
  });
  it('lies anywhere between two, and is measured from the nearer end outside', () => {
    const ask = number({ truth: [0, 2] });
    expect(markOf(ask, 0.7)).toMatchObject({ ok: true, miss: 0 });
    expect(markOf(ask, 2.5).miss).toBeCloseTo(0.5, 6);
    expect(markOf(ask, -0.5).miss).toBeCloseTo(-0.5, 6);
  });
  it('measures kelvin in mired: 200 K count at 3200 K and hardly at 9000 K', () => {
    const warm = markOf(number({ unit: 'kelvin', truth: [3200, 3200], tolerance: 10 }), 3000);
    expect(warm).toMatchObject({ unit: 'mired', ok: false });
    expect(warm.miss).toBeCloseTo(20.83, 1);
    expect(markOf(number({ unit: 'kelvin', truth: [9000, 9000], tolerance: 10 }), 9200).ok).toBe(true);
  });
  it('measures f-numbers in stops: a larger number is less light', () => {
    expect(markOf(number({ unit: 'f-number', truth: [4, 4] }), 5.6568).miss).toBeCloseTo(-1, 3);
  });
  it('counts what was not answered as missed, and never throws', () => {
    for (const answers of [{}, { a: Number.NaN }, { a: 'x' }, { a: ['x'] }] as Answers[])
      expect(judge({ asks: [number({})] }, answers)).toMatchObject({ ok: false, share: 0 });
  });
});

describe('choices and orders', () => {
  const options = ['x', 'y', 'z'].map((id) => ({ id, says: id }));
  const order: Ask = { id: 'a', kind: 'order', label: '', options, right: ['x', 'y', 'z'] };
  it('takes any of several right ones', () => {
    const ask: Ask = { id: 'a', kind: 'choice', label: '', options, right: ['x', 'y'] };
    expect(markOf(ask, 'y').ok).toBe(true);
    expect(markOf(ask, 'z')).toMatchObject({ ok: false, share: 0 });
  });
  it('counts pairs that stand the wrong way round', () => {
    expect(markOf(order, ['x', 'y', 'z']).ok).toBe(true);
    expect(markOf(order, ['y', 'x', 'z'])).toMatchObject({ ok: false, miss: 1 });
    expect(markOf(order, ['z', 'y', 'x']).share).toBe(0);
    expect(markOf(order, ['x', 'y']).ok).toBe(false);
  });
  it('lets a pair stand either way where that makes no difference', () => {
    const free: Ask = { ...order, either: [['x', 'y']] };
    expect(markOf(free, ['y', 'x', 'z']).ok).toBe(true);
    expect(markOf(free, ['y', 'z', 'x']).ok).toBe(false);
  });
  it('has what is right among its own answers', () => {
    expect(rightAnswer(order)).toEqual(['x', 'y', 'z']);
    expect(rightAnswer(number({ truth: [0, 2] }))).toBeCloseTo(1, 6);
  });
});
