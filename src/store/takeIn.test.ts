import { describe, expect, it } from 'vitest';
import { demoBook, demoSelection } from './fixtures/demoBook.ts';
import { parseProfileJson, profileJson } from './exports/profileJson.ts';
import { freeName } from './freeName.ts';
import { addProfile, conflictOf, replaceProfile } from './takeIn.ts';
import type { ProfileRecord } from './records/profile.ts';

const kit = demoBook().profiles;
const wide = kit.get('wideLog') as ProfileRecord;
const own: ProfileRecord = {
  ...wide,
  id: 'own-1',
  name: 'own log',
  origin: 'anchors',
  data: { ...wide.data, clipStops: 5.5 },
};
const withOwn = new Map([...kit, [own.id, own]]);
const now = new Date('2026-02-03T12:00:00Z');

describe('a profile as a file', () => {
  const text = profileJson(own, now);

  it('comes back whole, every kind of curve and gamut', () => {
    for (const profile of [...kit.values(), own]) {
      const back = parseProfileJson(profileJson(profile, now));
      expect(back.ok && back.value).toEqual(profile);
    }
  });

  it.each([
    ['no JSON', text.slice(0, 50), 'file', /not JSON/],
    [
      'a newer version',
      text.replace('"version": 1', '"version": 2'),
      'version',
      /version 2; .* update it. Nothing was changed/,
    ],
    [
      'a log of takes',
      text.replace('candelum-profile', 'candelum-takes'),
      'format',
      /holds “candelum-takes”/,
    ],
    ['a curve that falls', text.replace(/"c": [\d.]+/, '"c": -1'), 'profile.data.curve.coefficients.c', /./],
    [
      'a number that is none',
      text.replace('"clipStops": 5.5', '"clipStops": null'),
      'profile.data.clipStops',
      /number/,
    ],
    ['a list', '[1, 2]', 'file', /./],
    ['too much', ' '.repeat(4_000_001), 'file', /over 4 MB/],
  ])('%s is named', (_, source, where, reason) => {
    const result = parseProfileJson(source);
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });
});

describe('taking a profile in', () => {
  it('sees what is new, what is there already, and what goes by the same id or name', () => {
    expect(conflictOf(kit, own)).toEqual({ kind: 'none' });
    expect(conflictOf(withOwn, own)).toEqual({ kind: 'same', held: own });
    const other = { ...own, data: { ...own.data, clipStops: 7 } };
    expect(conflictOf(withOwn, other)).toEqual({ kind: 'differs', held: own, replaceable: true });
    expect(conflictOf(withOwn, { ...other, id: 'elsewhere' })).toMatchObject({ kind: 'differs', held: own });
    expect(conflictOf(kit, { ...wide, data: other.data })).toMatchObject({
      kind: 'differs',
      replaceable: false,
    });
  });

  it('keeps both under another name, and never under an id that is there', () => {
    const { camera } = demoSelection('bench-interview', 'a-cam');
    const { changes } = addProfile(withOwn, own, camera, 'fresh');
    expect(changes[0].after).toMatchObject({ id: 'fresh', name: 'own log 2' });
    expect(changes[1].after).toMatchObject({ id: 'a-cam', profileIds: [...camera.profileIds, 'fresh'] });
    expect(freeName(withOwn, 'new')).toBe('new');
    expect(freeName(withOwn, 'own log')).toBe('own log 2');
  });

  it('replaces in place, so that undo brings the old one back', () => {
    const [change] = replaceProfile(own, { ...own, id: 'elsewhere', name: 'theirs' }).changes;
    expect(change).toMatchObject({ id: 'own-1', before: own, after: { id: 'own-1', name: 'theirs' } });
  });
});
