import { describe, expect, it } from 'vitest';
import { readCardReading, takesItem, weightOf } from './evidenceModel.ts';

describe('a card that was read', () => {
  it('is taken with a true minus, thirds and a decimal comma', () => {
    expect(readCardReading('−2 1/3', '12,5')).toEqual({ ok: true, value: { stops: -7 / 3, percent: 12.5 } });
  });

  it.each([
    ['dark', '40', 'stops', /in stops over grey/],
    ['+1', '140', 'reads', /from -7 to 110/],
    ['+1', '', 'reads', /Type what it reads/],
  ])('“%s” and “%s” get one sentence', (stops, reads, where, reason) => {
    const read = readCardReading(stops, reads);
    expect(read).toMatchObject({ ok: false, where });
    expect(!read.ok && read.reason).toMatch(reason);
  });
});

it('takes are one series: they may all be off by what their exposing has in common', () => {
  const { readings } = takesItem(
    [
      { stops: 1, signal: 0.5 },
      { stops: 0, signal: 0.4 },
    ],
    't',
    '1 Mar',
  );
  expect(new Set(readings.map(({ series }) => series)).size).toBe(1);
  expect(readings[0].series).toBeDefined();
});

it('a source weighs by the variance it takes away', () => {
  expect(weightOf(0.1, 0.2)).toBe('75');
  expect(weightOf(0.1, undefined)).toBe('100');
  expect(weightOf(0.3, 0.2)).toBe('0');
});
