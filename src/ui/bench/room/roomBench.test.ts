import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '#core/profile/index.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { RoomPatch } from '#core/room/drift.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { RoomJobs, RoomPicture } from '#workers/room/protocol.ts';
import { createRoomBench } from './roomBench.ts';
import { emptyEvening, momentKey, type Evening } from './roomBox.ts';
import type { Asked, InputSource } from './roomState.ts';

const PIXELS = { width: 1, height: 1, rgba: new Uint8ClampedArray(4) };
const patch = (light: number): RoomPatch => ({
  name: 'card',
  kind: 'card',
  light: [light, light, light],
  error: [1e-4, 1e-4, 1e-4],
  clipped: 0,
  underFloor: 0,
});
const pictureAt = (at: number, light: number, state: RoomPicture['state'] = 'running'): RoomPicture => ({
  coding: { width: 960, height: 540 } as RoomPicture['coding'],
  at,
  arrivedAt: 1000 * at,
  dropped: 1,
  state,
  under: 0,
  clipped: 0,
  patches: [patch(light)],
  picture: PIXELS,
  wave: PIXELS,
  vector: PIXELS,
  waveLine: { low: [], middle: [], high: [] },
  vectorLine: [],
});
const wants = (positionId = 'first'): Asked => ({
  positionId,
  reading: { profile: ARCHETYPES.standard, floorStops: -5, range: 'legal', pullStops: 0, marks: [] },
  drawing: { width: 1, wave: [1, 1], vector: 1 },
  dial: { kelvin: 3200, tint: 0 },
});

/** A room whose worker gives what `give` says, five pictures a second; it stops after so many. */
const roomOf = (give: (id: string, n: number) => Result<RoomPicture> | 'ended') => {
  let ms = 0;
  const counts = new Map<string, number>();
  const calls: string[] = [];
  const kept: Evening[] = [];
  const client = (): Client<RoomJobs> =>
    ({
      call: async (job: string, { id }: { id: string }) => {
        calls.push(`${job} ${id}`);
        if (job !== 'next') return { state: 'done', output: success(undefined) };
        const n = counts.get(id) ?? 0;
        counts.set(id, n + 1);
        ms += 200;
        const given = give(id, n);
        return given === 'ended' ? new Promise(() => undefined) : { state: 'done', output: given };
      },
      onEnded: () => () => undefined,
      end: () => undefined,
    }) as unknown as Client<RoomJobs>;
  const bench = createRoomBench({
    start: client,
    now: () => ms,
    keep: (evening) => kept.push(evening),
    pause: async () => {
      ms += 2000;
    },
  });
  const opened: string[] = [];
  const source = (name: string, open?: () => Promise<Result<never>>): InputSource => ({
    kind: 'feed',
    name,
    open:
      open ??
      (async () => {
        opened.push(name);
        return success({ source: { kind: 'clip', file: new Blob() }, transfer: [] });
      }),
  });
  return { bench, source, calls, kept, opened };
};
const settled = async () => {
  for (let n = 0; n < 400; n += 1) await Promise.resolve();
};

describe('inputs of a live room', () => {
  it('run by themselves: one that gives nothing is told once, tried again, and told when it is back', async () => {
    const { bench, source, opened } = roomOf((id, n) => {
      if (n > 40) return 'ended';
      if (id === 'b' && n >= 10 && n < 13) return failure('feed', 'No picture for 2 seconds.');
      return success(pictureAt(n / 5, 0.18));
    });
    bench.enter(emptyEvening('hall'));
    for (const id of ['a', 'b']) {
      bench.ask(id, wants());
      bench.connect(id, source(id));
    }
    await settled();
    const { inputs, evening } = bench.getState();
    expect(inputs.a).toMatchObject({ state: 'running', shown: expect.any(Number) });
    expect(inputs.b.state).toBe('running');
    const told = evening.events
      .filter(({ inputId }) => inputId === 'b')
      .map((one) => 'state' in one && one.state);
    expect(told).toEqual(['gone', 'running']);
    expect(evening.events.some(({ inputId }) => inputId === 'a')).toBe(false);
    // Two in a row: the device is opened anew.
    expect(opened.filter((name) => name === 'b')).toHaveLength(2);
    expect(inputs.b.dropped).toBe(inputs.b.shown);
  });

  it('a device that does not open is tried until it does, and let go when it is not wanted', async () => {
    let tries = 0;
    const { bench, source } = roomOf((_id, n) => (n > 5 ? 'ended' : success(pictureAt(n / 5, 0.18))));
    const refusing = async (): Promise<Result<never>> => {
      tries += 1;
      return tries > 3
        ? (success({ source: { kind: 'clip', file: new Blob() }, transfer: [] }) as unknown as Result<never>)
        : failure('device', 'Another program holds the device.');
    };
    bench.enter(emptyEvening('hall'));
    bench.ask('a', wants());
    bench.connect('a', source('a', refusing));
    await settled();
    expect(tries).toBe(4);
    expect(bench.getState().inputs.a.state).toBe('running');
    bench.disconnect('a');
    expect(bench.getState().inputs.a).toBeUndefined();
  });

  it('a worker that died is asked to open its inputs anew', async () => {
    const { bench, source, calls } = roomOf((_id, n) => {
      if (n > 20) return 'ended';
      // The next worker knows of no input.
      return n === 8 ? failure('input', 'This input was let go.') : success(pictureAt(n / 5, 0.18));
    });
    bench.enter(emptyEvening('hall'));
    bench.ask('a', wants());
    bench.connect('a', source('a'));
    await settled();
    expect(calls.filter((call) => call === 'open a')).toHaveLength(2);
    expect(bench.getState().inputs.a.state).toBe('running');
  });
});

describe('the evening', () => {
  const evening = async (light: (id: string, n: number) => number, pictures = 120) => {
    const room = roomOf((id, n) => (n > pictures ? 'ended' : success(pictureAt(n / 5, light(id, n)))));
    room.bench.enter({
      ...emptyEvening('hall'),
      moments: Object.fromEntries(
        ['a', 'b'].map((id) => [momentKey(id, 'first'), { at: 0, patches: [patch(0.18)] }]),
      ),
    });
    for (const id of ['a', 'b']) {
      room.bench.ask(id, wants());
      room.bench.connect(id, room.source(id));
    }
    await settled();
    await settled();
    return room;
  };

  it('tells what changed against the moment that was kept, whose it is, and keeps it', async () => {
    const { bench, kept } = await evening((id, n) => (id === 'a' && n > 40 ? 0.09 : 0.18));
    const [event] = bench.getState().evening.events;
    expect(event).toMatchObject({
      inputId: 'a',
      what: 'drift',
      kind: 'light',
      state: 'began',
      cause: 'camera',
    });
    expect(bench.getState().inputs.a.told).toEqual(['light']);
    expect(kept.at(-1)?.events).toHaveLength(1);
    bench.acknowledge();
    bench.acknowledge();
    expect(bench.getState().seen).toEqual(['a light']);
    expect(bench.getState().evening.events.filter(({ what }) => what === 'seen')).toHaveLength(1);
  });

  it('is held against a new moment from when it is kept, at this position alone', async () => {
    const { bench } = await evening((_id, n) => (n > 40 ? 0.09 : 0.18));
    bench.keepMoment({ a: 'Standard, 3200 K.', c: 'not there' });
    const { evening: now, inputs } = bench.getState();
    expect(now.moments[momentKey('a', 'first')].patches[0].light[0]).toBeCloseTo(0.09, 3);
    expect(now.moments[momentKey('b', 'first')].patches[0].light[0]).toBeCloseTo(0.18, 3);
    expect(now.events.at(-1)).toMatchObject({ what: 'kept', inputId: 'a', says: 'Standard, 3200 K.' });
    expect(inputs.a.told).toEqual([]);
    // At another position nothing was kept: nothing is held against it.
    bench.ask('a', wants('choir'));
    expect(bench.getState().evening.moments[momentKey('a', 'choir')]).toBeUndefined();
  });

  it('reads marks anew after a turn: what was seen before says nothing of it', async () => {
    const { bench } = await evening(() => 0.18);
    expect(bench.getState().inputs.a.patches?.[0].light[0]).toBeCloseTo(0.18);
    bench.turned('a', 'R gain to −4');
    expect(bench.getState().inputs.a.patches).toBeUndefined();
    expect(bench.getState().evening.events.at(-1)).toMatchObject({ what: 'turned', says: 'R gain to −4' });
  });
});
