import { encode } from 'fast-png';
import { describe, expect, it } from 'vitest';
import { operationOf } from '#core/correction/operations.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { ARCHETYPES, compileProfile, type ProfileData } from '#core/profile/index.ts';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { matchHandlers } from './handlers.ts';
import type { MatchMark, MatchReadings } from './protocol.ts';

const [WIDTH, HEIGHT] = [80, 40];
/** Four fields of light side by side. */
const FIELDS = [
  [0.18, 0.18, 0.18],
  [0.5, 0.5, 0.5],
  [0.4, 0.2, 0.12],
  [0.05, 0.09, 0.2],
] as const;

/** The fields in 10-bit codes of a profile (full range), or of a display where there is none. */
const still = (profile: ProfileData | undefined, gain: number): Blob => {
  const encodeLight = profile ? compileProfile(profile).transfer.encode : (v: number) => v ** (1 / 2.4);
  const data = new Uint16Array(3 * WIDTH * HEIGHT);
  for (let i = 0; i < WIDTH * HEIGHT; i += 1) {
    const field = FIELDS[Math.floor(((i % WIDTH) * 4) / WIDTH)];
    for (let c = 0; c < 3; c += 1) data[3 * i + c] = Math.round(1023 * encodeLight(field[c] * gain));
  }
  return new Blob([new Uint8Array(encode({ width: WIDTH, height: HEIGHT, data, channels: 3, depth: 16 }))]);
};

const marks: readonly MatchMark[] = FIELDS.map((_, i) => {
  const place = { x: i / 4 + 0.05, y: 0.2, width: 0.15, height: 0.6 };
  return { name: `${i}`, kind: i < 2 ? 'neutral' : 'colour', camera: place, hero: place };
});
const readings = (camera?: ProfileData, hero?: ProfileData): MatchReadings => {
  const side = (profile?: ProfileData) => ({ ...(profile ? { profile } : {}), placement: 0, floorStops: -8 });
  const dial = { kelvin: 5600, tint: 0 };
  return {
    sides: { camera: side(camera), hero: side(hero) },
    white: { camera: dial, hero: dial },
    dials: { camera: dial, hero: dial },
  };
};

const opened = async (camera: Blob, hero: Blob) => {
  const jobs = matchHandlers(PLAIN);
  for (const [side, file] of [
    ['camera', camera],
    ['hero', hero],
  ] as const) {
    const { output } = await jobs.open({ side, file, at: 0.5, range: 'full', reading: 'codes10' }, context);
    expect(output.ok).toBe(true);
  }
  return jobs;
};

describe('the matching worker', () => {
  it('solves in light where both profiles are known', async () => {
    const { wideLog, classicLog } = ARCHETYPES;
    const jobs = await opened(still({ ...classicLog, gamut: wideLog.gamut }, 0.5), still(wideLog, 1));
    const { output } = await jobs.solve(
      { ...readings({ ...classicLog, gamut: wideLog.gamut }, wideLog), marks, whole: false },
      context,
    );
    expect(output).toMatchObject({ ok: true, value: { in: 'light', by: 'marks' } });
    if (!output.ok) return;
    expect(operationOf(output.value.match.correction, 'exposure')?.stops).toBeCloseTo(1, 2);
    expect(output.value.plotted).toHaveLength(4);
    expect(Math.max(...output.value.plotted.map(({ off }) => off))).toBeLessThan(0.3);
  });

  it('solves in the picture where one profile is not known, and says so', async () => {
    const jobs = await opened(still(undefined, 0.5), still(undefined, 1));
    const { output } = await jobs.solve({ ...readings(), marks, whole: false }, context);
    expect(output).toMatchObject({ ok: true, value: { in: 'picture' } });
    if (output.ok) {
      expect(operationOf(output.value.match.correction, 'exposure')?.stops).toBeCloseTo(1, 1);
      // Half the light on a display of power 2.4 is 0.75 of the signal: a gain of 1.33 brings it back.
      const { mixer } = output.value;
      for (const gain of mixer!.mixer.gain) expect(gain).toBeCloseTo(1 / 0.5 ** (1 / 2.4), 1);
      expect(mixer!.after.worst).toBeLessThan(1);
    }
    const mixed = await opened(still(ARCHETYPES.wideLog, 1), still(undefined, 1));
    const half = await mixed.solve({ ...readings(ARCHETYPES.wideLog), marks, whole: false }, context);
    expect(half.output).toMatchObject({ ok: true, value: { in: 'picture' } });
  });

  it('estimates from whole pictures', async () => {
    const { wideLog } = ARCHETYPES;
    const jobs = await opened(still(wideLog, 2), still(wideLog, 1));
    const { output } = await jobs.solve({ ...readings(wideLog, wideLog), marks: [], whole: true }, context);
    expect(output).toMatchObject({ ok: true, value: { by: 'whole', mixer: undefined } });
    if (output.ok) expect(operationOf(output.value.match.correction, 'exposure')?.stops).toBeCloseTo(-1, 1);
  });

  it('a corrected picture is the hero’s', async () => {
    const { wideLog } = ARCHETYPES;
    const jobs = await opened(still(wideLog, 0.5), still(wideLog, 1));
    const input = { ...readings(wideLog, wideLog), width: WIDTH };
    const correction = {
      primaries: 'bt2020' as const,
      operations: [{ kind: 'exposure' as const, stops: 1 }],
    };
    const [hero, plain, corrected] = await Promise.all([
      jobs.picture({ ...input, side: 'hero' }, context),
      jobs.picture({ ...input, side: 'camera' }, context),
      jobs.picture({ ...input, side: 'camera', correction }, context),
    ]);
    const bytes = ({ output }: typeof hero) => (output.ok ? [...output.value.rgba] : []);
    const apart = (a: readonly number[], b: readonly number[]) =>
      Math.max(...a.map((v, i) => Math.abs(v - b[i])));
    expect(apart(bytes(hero), bytes(corrected))).toBeLessThanOrEqual(1);
    expect(apart(bytes(hero), bytes(plain))).toBeGreaterThan(20);
    const region = { x: 0.5, y: 0.5, width: 0.5, height: 0.5 };
    const part = await jobs.picture({ ...input, side: 'hero', region }, context);
    const whole = await jobs.picture({ ...input, side: 'hero', width: 10_000 }, context);
    if (!part.output.ok || !whole.output.ok) throw new Error('no picture');
    const [{ width, height, rgba }, all] = [part.output.value, whole.output.value];
    expect([width, height]).toEqual([all.width / 2, all.height / 2]);
    expect([...rgba.slice(0, 4)]).toEqual([
      ...all.rgba.slice(4 * (height * all.width + width), 4 * (height * all.width + width) + 4),
    ]);
  });

  it('says what is missing: a picture, a patch, a frame', async () => {
    const jobs = matchHandlers(PLAIN);
    const nothing = { ...readings(), marks, whole: false };
    expect((await jobs.solve(nothing, context)).output).toMatchObject({ ok: false, where: 'picture' });
    expect((await jobs.picture({ ...readings(), side: 'hero', width: 10 }, context)).output.ok).toBe(false);
    const cut = await jobs.open(
      { side: 'hero', file: still(undefined, 1).slice(0, 60), at: 0, range: 'full' },
      context,
    );
    expect(cut.output.ok).toBe(false);
    const both = await opened(still(undefined, 1), still(undefined, 1));
    expect((await both.solve({ ...nothing, marks: [] }, context)).output).toMatchObject({
      ok: false,
      where: 'marks',
    });
  });
});
