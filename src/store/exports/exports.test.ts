import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { sampleTake } from '../fixtures/sampleTake.ts';
import { takesCsv } from './takesCsv.ts';
import { parseTakesJson, takesJson } from './takesJson.ts';

const shoot = { id: 'salt-and-fire', name: 'Salt and Fire', place: '', order: 1 };
const now = new Date('2026-02-03T12:00:00Z');
const plain = {
  ...sampleTake,
  id: 'take-2',
  number: 2,
  measured: undefined,
  notes: '=1+1\nsecond line',
  circled: false,
};

describe('the log as CSV (RFC 4180)', () => {
  const csv = takesCsv([sampleTake, plain]);
  const { data } = Papa.parse<Record<string, string>>(csv.trimEnd(), { header: true });

  it('ends every record with CRLF and doubles quotes', () => {
    expect(csv.endsWith('\r\n')).toBe(true);
    expect(csv.split('\r\n')).toHaveLength(4);
    expect(csv).toContain('"door opened late, ""keep"""');
  });

  it('says in the heading what each number is in', () => {
    expect(Object.keys(data[0])).toEqual(
      expect.arrayContaining(['placement (stops)', 'white balance (K)', 'off the plan (stops)']),
    );
  });

  it('tells post what to undo: found where the card was measured, planned where not', () => {
    expect(data[0]['correction in post (stops)']).toBe('-0.667');
    expect(data[1]['correction in post (stops)']).toBe('-1');
    expect(data[1]['card found (stops)']).toBe('');
    expect(data[0]['all channels clipped (% of picture)']).toBe('4.41');
    expect(data[0]['to watch']).toBe('Card under the plan +0.7; Area clipped white 4.4 %');
  });

  it('keeps line breaks in notes and does not hand a spreadsheet a formula', () => {
    expect(data[1].notes).toBe("'=1+1\nsecond line");
  });

  it.each([
    '=',
    '+',
    '-',
    '@',
    '\t',
    '\r',
    '\n=',
    ' =',
    '\u00a0=',
    '\u200b+',
    '＝',
    '＋',
    '－',
    '＠',
    '\ufeff@',
  ])('a note that begins with %j is text to a spreadsheet, on one line or two', (lead) => {
    for (const notes of [`${lead}2+3`, `${lead}2\nsecond line`]) {
      const { data: rows } = Papa.parse<Record<string, string>>(
        takesCsv([{ ...sampleTake, notes }]).trimEnd(),
        {
          header: true,
        },
      );
      expect(rows[0].notes).toBe(`'${notes}`);
    }
  });

  it('says what the zebra levels are in, by take', () => {
    const code = { ...sampleTake, card: { ...sampleTake.card, zebraScale: 'codeValue' as const } };
    const { data: rows } = Papa.parse<Record<string, string>>(takesCsv([code, sampleTake]).trimEnd(), {
      header: true,
    });
    expect(rows.map((row) => row['zebra scale'])).toEqual(['code value', '']);
  });

  it('is a heading alone without takes', () => expect(takesCsv([]).trimEnd().split('\r\n')).toHaveLength(1));
});

describe('the log as JSON', () => {
  const text = takesJson(shoot, [sampleTake, plain], now);

  it('comes back whole', () => {
    const back = parseTakesJson(text);
    expect(back).toMatchObject({ ok: true, value: { version: 1, exportedAt: '2026-02-03T12:00:00.000Z' } });
    expect(back.ok && back.value.takes[0]).toEqual(sampleTake);
  });

  it.each([
    ['no JSON', text.slice(0, 60), 'file', /not JSON/],
    [
      'a newer version',
      text.replace('"version": 1', '"version": 2'),
      'version',
      /version 2; this Candelum reads version 1/,
    ],
    ['another file', '{"format":"x","version":1}', 'format', /export the log again/],
    ['a field that is wrong', text.replace('"iso": 800', '"iso": "fast"'), 'takes.0.card.iso', /number/],
  ])('%s is named', (_, source, where, reason) => {
    const result = parseTakesJson(source);
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
  });
});
