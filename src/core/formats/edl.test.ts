// Edit decision lists: the columns of the common text form, and what comes back of them.
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Cdl } from '../lut/cdl.ts';
import { parseEdl, writeEdl, type EdlEvent } from './edl.ts';

const cdl: Cdl = {
  slope: [1.02, 1, 0.98],
  offset: [-0.0566, -0.0566, -0.0566],
  power: [1, 1, 1],
  saturation: 1.1,
};
const event: EdlEvent = {
  clipName: 'A0004 – Schmiede.mov',
  reel: 'A001',
  start: { frames: 10 * 90_000, perSecond: 25, isDropFrame: false },
  frames: 250,
  cdl,
};

describe('an edit decision list', () => {
  it('has its columns: number, reel, track, cut, source and record in and out', () => {
    const lines = writeEdl({ title: 'Salt and Fire', perSecond: 25, events: [event, event] }).split('\r\n');
    expect(lines.slice(0, 3)).toEqual(['TITLE: Salt and Fire', 'FCM: NON-DROP FRAME', '']);
    expect(lines[3]).toBe('001  A001     V     C        10:00:00:00 10:00:10:00 01:00:00:00 01:00:10:00');
    expect(lines[4]).toBe('* FROM CLIP NAME: A0004 – Schmiede.mov');
    expect(lines[5]).toBe(
      '* ASC_SOP (1.020000 1.000000 0.980000)(-0.056600 -0.056600 -0.056600)(1.000000 1.000000 1.000000)',
    );
    expect(lines[6]).toBe('* ASC_SAT 1.100000');
    expect(lines[8]).toContain('01:00:10:00 01:00:20:00');
  });

  it('tells drop frame, and where it changes', () => {
    const drop = { ...event, start: { frames: 107_892, perSecond: 30, isDropFrame: true } };
    const plain = { ...event, start: { frames: 0, perSecond: 30, isDropFrame: false } };
    const text = writeEdl({ title: 't', perSecond: 30, events: [drop, plain] });
    expect(text).toContain('FCM: DROP FRAME');
    expect(text).toContain('01:00:00;00 01:00:08;10 01:00:00;00');
    expect(text.indexOf('FCM: NON-DROP FRAME')).toBeGreaterThan(text.indexOf('001 '));
  });

  it('comes back: names, reels, times and corrections to six places', () => {
    const value = fc.double({ min: -2, max: 4, noNaN: true });
    const triple = fc.tuple(value, value, value);
    const positive = triple.map((v) => v.map((n) => Math.abs(n) + 0.01) as unknown as Cdl['power']);
    const corrections = fc
      .record({
        slope: positive,
        offset: triple,
        power: positive,
        saturation: fc.double({ min: 0, max: 3, noNaN: true }),
      })
      .map((one) => one as unknown as Cdl);
    fc.assert(
      fc.property(corrections, (one) => {
        const read = parseEdl(writeEdl({ title: 't', perSecond: 25, events: [{ ...event, cdl: one }] }));
        if (!read.ok) throw new Error(read.reason);
        const [found] = read.value;
        expect(found).toMatchObject({
          reel: 'A001',
          clipName: event.clipName,
          source: ['10:00:00:00', '10:00:10:00'],
        });
        for (const part of ['slope', 'offset', 'power'] as const)
          found.cdl![part].forEach((v, c) => expect(v).toBeCloseTo(one[part][c], 5));
        expect(found.cdl!.saturation).toBeCloseTo(one.saturation, 5);
      }),
    );
  });

  it('reels are eight letters and digits, names are one line', () => {
    const text = writeEdl({
      title: 'a\nb',
      perSecond: 25,
      events: [{ ...event, reel: 'Carte mémoire 12', clipName: 'a\r\n002  evil' }],
    });
    expect(text).toContain('001  CARTEMMO V');
    expect(parseEdl(text)).toMatchObject({ ok: true, value: [{ reel: 'CARTEMMO' }] });
    expect(() =>
      writeEdl({ title: '', perSecond: 25, events: Array.from({ length: 1000 }, () => event) }),
    ).toThrow(RangeError);
  });

  it.each([
    ['', 'file', /no event/],
    ['TITLE: x\r\nFCM: NON-DROP FRAME', 'file', /no event/],
    [
      '001  A V C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n* ASC_SOP (1 1)(0 0 0)(1 1 1)',
      'line 2',
      /three numbers/,
    ],
    ['001  A V C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n* ASC_SAT -1', 'line 2', /outside ASC CDL/],
  ])('%j is refused with its place', (text, where, reason) => {
    expect(parseEdl(text)).toMatchObject({ ok: false, where, reason: expect.stringMatching(reason) });
  });
});
