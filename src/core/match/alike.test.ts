import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../profile/index.ts';
import { alikeRows, type RoomCamera } from './alike.ts';

const standard = { name: 'standard', data: ARCHETYPES.standard };
const hero: RoomCamera = {
  profile: standard,
  placement: 0,
  shutter: { kind: 'time', denominator: 50 },
  iso: 800,
  iris: 4,
  ndStops: 0,
  dial: { kelvin: 3200, tint: 0 },
  lean: { mired: 0, tint: 0 },
};
const row = (id: string, over: Partial<RoomCamera> = {}, heroIs: Partial<RoomCamera> = {}) =>
  alikeRows({ ...hero, ...over }, { ...hero, ...heroIs }, 25).find((one) => one.id === id)!;

describe('two cameras of a room', () => {
  it('are alike where they are set alike; only the menu tells what is automatic', () => {
    const states = alikeRows(hero, hero, 25).map(({ id, state }) => [id, state]);
    expect(states).toEqual([
      ['profile', 'same'],
      ['automatics', 'look'],
      ['shutter', 'same'],
      ['iso', 'same'],
      ['iris', 'same'],
      ['placement', 'same'],
      ['balance', 'same'],
    ]);
  });

  it('may differ where the seats ask for it, and says what that costs', () => {
    expect(row('iris', { iris: 2.8 }).state).toBe('may');
    expect(row('iso', { iso: 1000 })).toMatchObject({
      state: 'may',
      says: expect.stringMatching(/^1\/3 stop more gain/),
    });
    expect(row('iso', { iso: 3200 }).says).toMatch(/^2 stops more gain.*shadows/);
    expect(row('iso', { iso: 400 }).says).toMatch(/^1 stop less gain/);
  });

  it('must not differ in profile, time, card and white', () => {
    expect(row('profile', { profile: { name: 'wide log', data: ARCHETYPES.wideLog } })).toMatchObject({
      state: 'differs',
      says: expect.stringMatching(/finished picture/),
    });
    const logs = { profile: { name: 'classic log', data: ARCHETYPES.classicLog } };
    expect(row('profile', { profile: { name: 'wide log', data: ARCHETYPES.wideLog } }, logs).says).toMatch(
      /per cent/,
    );
    expect(row('shutter', { shutter: { kind: 'time', denominator: 100 } }).state).toBe('differs');
    // 180 degrees at 25 a second is 1/50 s: the same time, set the other way.
    expect(row('shutter', { shutter: { kind: 'angle', degrees: 180 } })).toMatchObject({
      state: 'same',
      says: expect.stringMatching(/50 Hz/),
    });
    const beats = { shutter: { kind: 'time', denominator: 85 } } as const;
    expect(row('shutter', beats, beats)).toMatchObject({
      state: 'differs',
      says: expect.stringMatching(/may beat/),
    });
    expect(row('placement', { placement: 2 / 3 }).says).toMatch(/^2\/3 stop apart: close/);
    expect(row('placement', { placement: -1 }).says).toMatch(/^1 stop apart: open/);
  });

  it('has no white in common where only the tint differs', () => {
    expect(row('balance', { dial: { kelvin: 3200, tint: 6 } })).toMatchObject({
      state: 'differs',
      says: expect.stringMatching(/^6 of tint apart/),
    });
  });

  it('has the white by what each body leans, not by the number on its dial', () => {
    // 3200 K is 312.5 mired; a body 12.5 mired off that is dialled to 3077 K takes 3200 K for white.
    const leaning = { dial: { kelvin: 3077, tint: 0 }, lean: { mired: 12.5, tint: 0 } };
    expect(row('balance', leaning)).toMatchObject({
      state: 'same',
      says: expect.stringMatching(/Other numbers/),
    });
    expect(row('balance', { ...leaning, dial: hero.dial })).toMatchObject({
      state: 'differs',
      says: expect.stringMatching(/^1[23] mired apart/),
    });
  });
});
