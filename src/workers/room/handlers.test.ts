import { describe, expect, it } from 'vitest';
import { makeFrame } from '#core/frame/frame.ts';
import { plainly } from '#core/formats/opened.ts';
import { success } from '#core/result.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { createWatch } from '#core/room/watch.ts';
import { levelOf } from '#core/room/faces.ts';
import type { ClipSource } from '../judge/clips/source.ts';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { hallReading, hallSetting, hallSource, SMALL } from './fixtures/hall.ts';
import { roomHandlers } from './handlers.ts';
import type { RoomPicture } from './protocol.ts';

/** A room whose clock is turned by hand: nothing waits. */
const roomAt = () => {
  let ms = 0;
  const jobs = roomHandlers(PLAIN, () => ms);
  const reading = hallReading('hall-wide');
  const next = async (id: string, after = 200): Promise<RoomPicture> => {
    ms += after;
    const { output } = await jobs.next({ id, reading, drawing: SMALL }, context);
    if (!output.ok) throw new Error(output.reason);
    return output.value;
  };
  return { jobs, next, reading };
};
const openHall = async (jobs: ReturnType<typeof roomAt>['jobs'], setting = hallSetting(), id = 'hall-1') => {
  const source = hallSource('hall-wide', setting);
  const { output } = await jobs.open({ id, source, reading: hallReading('hall-wide') }, context);
  expect(output.ok).toBe(true);
};
const card = (picture: RoomPicture) => picture.patches.find(({ kind }) => kind === 'card')!;

describe('the inputs of a room', () => {
  it('a simulated hall gives pictures, its marks in light, its scopes as pixels and as lines', async () => {
    const { jobs, next } = roomAt();
    await openHall(jobs);
    const picture = await next('hall-1');
    expect(picture).toMatchObject({ state: 'running', dropped: 0, coding: { width: 960, bitDepth: 10 } });
    // 12.3 cd/m2 of lamps and 0.35 of the sky's 5.6 just after sunset, on a card that 12.5 puts at grey: f/4, 1/50, ISO 800.
    // The sky is bluer than the lamps that the camera is balanced to: it counts a little more than its luminance.
    expect(levelOf(card(picture)) - Math.log2(14.26 / 12.5)).toBeGreaterThan(0);
    expect(levelOf(card(picture)) - Math.log2(14.26 / 12.5)).toBeLessThan(0.1);
    expect(picture.picture.rgba).toHaveLength(4 * picture.picture.width * picture.picture.height);
    expect(picture.waveLine.low).toHaveLength(80);
    picture.waveLine.low.forEach((low, i) => expect(low).toBeLessThanOrEqual(picture.waveLine.high[i]));
    expect(Math.max(...picture.vectorLine.map(([cb, cr]) => Math.hypot(cb, cr)))).toBeGreaterThan(0.05);
  });

  it('counts what it leaves out, and turns a camera without opening it anew', async () => {
    const { jobs, next } = roomAt();
    await openHall(jobs);
    const before = await next('hall-1');
    expect((await next('hall-1', 1000)).dropped).toBe(4);
    await jobs.stage({ id: 'hall-1', ...hallSetting({ gain: 2 }) }, context);
    expect(levelOf(card(await next('hall-1')))).toBeCloseTo(levelOf(card(before)) + 1 / 3, 1);
  });

  it('the sky goes, a lamp fails, and what is left on moves the second camera alone', async () => {
    const { jobs, next } = roomAt();
    await openHall(jobs);
    await openHall(jobs, hallSetting({}, { isLeftOn: true }), 'hall-2');
    const dusk = await next('hall-1');
    await jobs.stage({ id: 'hall-1', to: 9 * 60, ...hallSetting() }, context);
    const later = await next('hall-1');
    // A stop and a half less sky: (12.3 + 1.96 / 2.83) / 14.26.
    expect(levelOf(card(later)) - levelOf(card(dusk))).toBeCloseTo(Math.log2(12.99 / 14.26), 1);
    await jobs.stage({ id: 'hall-1', to: 11 * 60, ...hallSetting() }, context);
    const failed = await next('hall-1');
    expect(failed.faults).toEqual(['lamp']);
    expect(levelOf(card(failed)) - levelOf(card(later))).toBeLessThan(-0.4);
    for (const id of ['hall-1', 'hall-2'])
      await jobs.stage({ id, to: 21 * 60 + 59, ...hallSetting({}, { isLeftOn: id === 'hall-2' }) }, context);
    const [still, moved] = [await next('hall-1', 2), await next('hall-2', 2)];
    const after = { still, moved };
    for (let n = 0; n < 16; n += 1) {
      after.still = await next('hall-1', 500);
      after.moved = await next('hall-2', 500);
    }
    const ratio = (picture: RoomPicture) => Math.log2(card(picture).light[0] / card(picture).light[2]);
    expect(after.moved.faults).toEqual(['balance']);
    expect(after.still.faults).toEqual([]);
    expect(Math.abs(ratio(after.moved) - ratio(moved))).toBeGreaterThan(0.1);
    expect(Math.abs(ratio(after.still) - ratio(still))).toBeLessThan(0.05);
  });

  it('an input that was let go says so, and a covered lens is black', async () => {
    const { jobs, next, reading } = roomAt();
    await openHall(jobs, hallSetting({}, { settings: { ...hallSetting().settings, ndStops: 20 } }));
    expect((await next('hall-1')).state).toBe('black');
    await jobs.close({ id: 'hall-1' }, context);
    const { output } = await jobs.next({ id: 'hall-1', reading, drawing: SMALL }, context);
    expect(output).toMatchObject({ ok: false, where: 'input' });
  });

  it('a third of a stop is found within ten seconds of the picture’s own time', async () => {
    const { jobs, next } = roomAt();
    await openHall(jobs);
    // Late in the evening: the sky is gone.
    await jobs.stage({ id: 'hall-1', to: 38 * 60, ...hallSetting() }, context);
    const first = await next('hall-1');
    const watch = createWatch(first.patches, { kelvin: 3100, tint: 0 });
    for (let n = 0; n < 16; n += 1) {
      const still = await next('hall-1', 250);
      expect(watch.take(still.at, still.patches)).toEqual([]);
    }
    await jobs.stage({ id: 'hall-1', ...hallSetting({ gain: 2 }) }, context);
    const turnedAt = first.at + 4;
    for (let n = 0; n < 40; n += 1) {
      const picture = await next('hall-1', 250);
      const [alarm] = watch.take(picture.at, picture.patches);
      if (!alarm) continue;
      expect(alarm).toMatchObject({ kind: 'light', state: 'began' });
      expect(alarm.size).toBeCloseTo(1 / 3, 1);
      expect(alarm.at - turnedAt).toBeLessThan(10);
      return;
    }
    expect.unreachable('nothing was told');
  });

  it('a recorded clip stands in for a device: round and round at its own rate', async () => {
    let ms = 0;
    const asked: number[] = [];
    const clip: ClipSource = {
      info: { times: Float64Array.from([0, 0.04, 0.08, 0.12]), seconds: 0.16, rate: 25, variable: false },
      frameAt: async (n) => {
        asked.push(n);
        const plane = new Uint16Array(16 * 9).fill(16 + 40 * n);
        const frame = makeFrame({
          width: 16,
          height: 9,
          bitDepth: 8,
          range: 'legal',
          r: plane,
          g: plane,
          b: plane,
        });
        return success(plainly({ frame, reading: 'codes8', evidence: 'a clip', container: 'test' }, {}));
      },
      close: () => asked.push(-1),
    };
    const jobs = roomHandlers(
      PLAIN,
      () => ms,
      async () => success(clip),
    );
    const reading = { ...hallReading('hall-wide'), marks: [] };
    await jobs.open({ id: 'a', source: { kind: 'clip', file: new Blob() }, reading }, context);
    for (const step of [0, 40, 40, 120]) {
      ms += step;
      const { output } = await jobs.next({ id: 'a', reading, drawing: { ...SMALL, wave: [8, 40] } }, context);
      expect(output.ok).toBe(true);
    }
    expect(asked).toEqual([0, 1, 2, 1]);
    await jobs.close({ id: 'a' }, context);
    expect(asked.at(-1)).toBe(-1);
    const empty: ClipSource = { ...clip, info: { ...clip.info, times: new Float64Array(0) } };
    const none = roomHandlers(
      PLAIN,
      () => ms,
      async () => success(empty),
    );
    const { output } = await none.open(
      { id: 'a', source: { kind: 'clip', file: new Blob() }, reading },
      context,
    );
    expect(output).toMatchObject({ ok: false, reason: expect.stringContaining('holds no picture') });
  });
});
