// The live room in numbers: drift against a kept moment, whose it is, faces, what an input does, its minutes.
import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { gaussian, seededRandom } from '../random.ts';
import { BOARD_PATCHES } from '../scene/board.ts';
import { balancedWhite } from '../sensor/camera.ts';
import { driftOf, type Drift, type RoomPatch } from './drift.ts';
import { EVENING_ROUND, eveningAt, nextFault } from './evening.ts';
import { eventSays, sizeWords } from './events.ts';
import { judgeFace, levelOf, offsetOf } from './faces.ts';
import { createHistory, KEPT_MINUTES } from './history.ts';
import { createLiveness } from './liveness.ts';
import { toldApart } from './seats.ts';
import { trendOf } from './trend.ts';
import { BANDS, causeOf, createWatch } from './watch.ts';

const DIAL = { kelvin: 3200, tint: 0 };
const NOISE = 0.01;
type Change = { readonly stops?: number; readonly kelvin?: number; readonly black?: number };

/** A board and a face under a light; `kelvin` is the light's, the camera stays at its dial. */
const seen = ({ stops = 0, kelvin = DIAL.kelvin, black = 0 }: Change, deviate = () => 0): RoomPatch[] => {
  const [was, is] = [balancedWhite(DIAL), balancedWhite({ kelvin, tint: 0 })];
  const gain = was.map((v, c) => (2 ** stops * is[c]) / v);
  return [
    ...BOARD_PATCHES.map(({ name, kind, reflectance }) => ({ name, kind, reflectance })),
    { name: 'Ana', kind: 'skin', reflectance: [0.48, 0.36, 0.27] as Triple },
  ].map(({ name, kind, reflectance }): RoomPatch => {
    const light = reflectance.map((v, c) => v * gain[c] + black) as unknown as Triple;
    const error = light.map((v) => NOISE * (v + 0.01)) as unknown as Triple;
    const noisy = light.map((v, c) => v + error[c] * deviate()) as unknown as Triple;
    const is = kind === 'skin' ? 'skin' : kind === 'card' ? 'card' : 'colour';
    return { name, kind: is, light: noisy, error, clipped: 0, underFloor: 0 };
  });
};
const still = seen({});

describe('drift', () => {
  it('is what the light did: stops, mired, and nothing else', () => {
    const drift = driftOf(still, seen({ stops: -1 / 3, kelvin: 1e6 / (1e6 / 3200 + 15) }), DIAL);
    // The luminance of balanced light moves a little with its colour.
    expect(drift.light).toBeCloseTo(-1 / 3, 1);
    expect(drift.balance).toBeCloseTo(15, 0);
    expect(Math.abs(drift.tint!)).toBeLessThan(1);
    expect(Math.abs(drift.black!)).toBeLessThan(0.1);
  });

  it('tells black from light, and is not moved by somebody before one mark', () => {
    const lifted = driftOf(still, seen({ black: 0.006 }), DIAL);
    expect(lifted.black).toBeGreaterThan(0.4);
    expect(lifted.light).toBeLessThan(0.1);
    // Twice the light is no black.
    expect(Math.abs(driftOf(still, seen({ stops: 1 }), DIAL).black!)).toBeLessThan(0.05);
    const covered = seen({}).map((patch) =>
      patch.kind === 'card' ? { ...patch, light: [0.01, 0.01, 0.01] as Triple } : patch,
    );
    expect(Math.abs(driftOf(still, covered, DIAL).light!)).toBeLessThan(0.02);
  });

  it('says nothing where no mark tells, and of a face only when more of it clips', () => {
    expect(driftOf(still, [], DIAL)).toEqual({});
    expect(
      driftOf(
        still,
        still.map((patch) => ({ ...patch, name: `${patch.name} 2` })),
        DIAL,
      ),
    ).toEqual({});
    const clipped = seen({}).map((patch) => (patch.kind === 'skin' ? { ...patch, clipped: 0.2 } : patch));
    expect(driftOf(still, clipped, DIAL).face).toBeCloseTo(20);
    expect(driftOf(clipped, clipped, DIAL).face).toBe(0);
  });
});

/** Pictures of some seconds through a watch. */
const watched = (
  seconds: number,
  changeAt: (at: number) => Change,
  { rate = 5, seed = 1 }: { readonly rate?: number; readonly seed?: number } = {},
) => {
  const deviate = gaussian(seededRandom(seed));
  const watch = createWatch(seen({}, deviate), DIAL);
  const alarms = [];
  for (let n = 0; n < seconds * rate; n += 1)
    alarms.push(...watch.take(n / rate, seen(changeAt(n / rate), deviate)));
  return { alarms, watch };
};

describe('the watch', () => {
  it('has no false alarm in an hour of a still hall', () => {
    const { alarms } = watched(3600, () => ({}), { rate: 2 });
    expect(alarms).toEqual([]);
  });

  it.each([1, 2, 3, 4, 5])(
    'finds a third of a stop and fifteen mired within ten seconds, seed %i',
    (seed) => {
      const dark = watched(40, (at) => (at >= 20 ? { stops: -1 / 3 } : {}), { seed });
      const [first] = dark.alarms;
      expect(first).toMatchObject({ kind: 'light', state: 'began' });
      expect(first.at - 20).toBeGreaterThan(0);
      expect(first.at - 20).toBeLessThan(10);
      const warm = watched(40, (at) => (at >= 20 ? { kelvin: 1e6 / (1e6 / 3200 + 15) } : {}), { seed });
      const balance = warm.alarms.find(({ kind }) => kind === 'balance');
      expect(balance).toMatchObject({ state: 'began' });
      expect(balance!.at - 20).toBeLessThan(10);
      expect(balance!.size).toBeGreaterThan(10);
    },
  );

  it('does not tell what passes by, nor nag at the edge; over is over', () => {
    const passing = watched(30, (at) => (at > 10 && at < 12 ? { stops: -2 } : {}));
    expect(passing.alarms).toEqual([]);
    expect(watched(30, (at) => (at > 10 && at < 13 ? { stops: -2 } : {})).alarms).toEqual([]);
    // Round the band's edge, up and down every twenty seconds: told once.
    const edge = watched(200, (at) => ({ stops: at % 40 < 20 ? -0.23 : -0.17 }));
    expect(edge.alarms.map(({ state }) => state)).toEqual(['began']);
    expect(edge.watch.told()).toEqual(['light']);
    const back = watched(60, (at) => (at > 10 && at < 30 ? { stops: -0.5 } : {}));
    expect(back.alarms.map(({ state }) => state)).toEqual(['began', 'over']);
    expect(back.watch.told()).toEqual([]);
  });

  it('goes on when an input comes back with its clock begun anew', () => {
    const deviate = gaussian(seededRandom(4));
    const watch = createWatch(still, DIAL);
    for (let n = 0; n < 100; n += 1) watch.take(n / 5, seen({}, deviate));
    const alarms = Array.from({ length: 60 }, (_, n) =>
      watch.take(n / 5, seen({ stops: 1 }, deviate)),
    ).flat();
    expect(alarms.map(({ kind }) => kind)).toContain('light');
  });

  it('says whose a change is by what the others show', () => {
    const of = (...others: Drift[]) => causeOf('light', -0.5, others);
    expect(of({ light: -0.3 })).toBe('light');
    expect(of({ light: 0.01 })).toBe('camera');
    expect(of({ light: 0.4 })).toBe('unknown');
    expect(of({ light: -0.08 })).toBe('unknown');
    expect(of()).toBe('unknown');
    expect(of({ light: -0.4 }, { light: -0.45 }, { light: 0 })).toBe('light');
  });
});

describe('an input', () => {
  const picture = (at: number, hash: number, top = 0.5, width = 960) => ({
    at,
    hash,
    top,
    width,
    height: 540,
  });

  it('stands still, goes black, changes its size, and runs again', () => {
    const { came } = createLiveness();
    expect(came(picture(0, 1))).toBe('running');
    expect(came(picture(1, 1))).toBe('running');
    expect(came(picture(2, 1))).toBe('still');
    expect(came(picture(2.1, 2))).toBe('running');
    expect(came(picture(2.2, 3, 0.01))).toBe('black');
    expect(came(picture(2.3, 4, 0.5, 640))).toBe('resized');
    expect(came(picture(30, 5, 0.5, 640))).toBe('running');
  });

  it('keeps half a day of minutes and no more, each the latest of its drift', () => {
    const { take, minutes } = createHistory();
    for (let at = 0; at < 60 * (KEPT_MINUTES + 50); at += 20) take(at, { light: at / 1000 });
    expect(minutes()).toHaveLength(KEPT_MINUTES);
    expect(minutes().at(-1)).toMatchObject({ at: KEPT_MINUTES + 49, pictures: 3 });
  });

  it('tells where a slow change goes, and when it will be told', () => {
    const minutes = Array.from({ length: 20 }, (_, at) => ({
      at,
      drift: { balance: 0.4 * at },
      pictures: 60,
    }));
    // 0.4 mired a minute are 24 an hour; from 7.6 to 10 it takes six minutes.
    const trend = trendOf(minutes, 'balance')!;
    expect(trend.anHour).toBeCloseTo(24);
    expect(trend.toldIn).toBeCloseTo(6);
    const falling = minutes.map(({ at, ...one }) => ({ ...one, at, drift: { balance: 2 - 0.4 * at } }));
    // From -5.6 to -10.
    expect(trendOf(falling, 'balance')!.toldIn).toBeCloseTo(11);
    expect(trendOf(minutes.slice(0, 4), 'balance')).toBeUndefined();
    expect(trendOf(minutes, 'light')).toBeUndefined();
    expect(
      trendOf(
        minutes.map((one) => ({ ...one, drift: { balance: 3 } })),
        'balance',
      ),
    ).toBeUndefined();
  });
});

describe('the camera’s part and the light’s', () => {
  const at = (name: string, stops: number, mired: number) => ({ name, apart: { stops, mired, tint: 0 } });

  it('what is the same everywhere is the camera’s; one place that differs is its light’s', () => {
    const told = toldApart([at('wide', 0.5, 20), at('lectern', 0.52, 21), at('choir', 1.1, 20)])!;
    expect(told.camera.stops).toBeCloseTo(0.52);
    expect(told.light.filter(({ isSeen }) => isSeen).map(({ name }) => name)).toEqual(['choir']);
    expect(told.light[2].apart.stops).toBeCloseTo(0.58);
    expect(told.spread.stops).toBeGreaterThan(0.3);
    expect(toldApart([at('wide', 0.5, 20)])).toBeUndefined();
  });
});

describe('faces', () => {
  const face = { id: 'ola', name: 'Ola', offset: -0.4 };
  const patch = (stops: number, clipped = 0) => {
    const v = 0.18 * 2 ** stops;
    return { light: [v, v, v] as Triple, clipped };
  };

  it('each is judged against its own place', () => {
    expect(levelOf(patch(1))).toBeCloseTo(1);
    expect(judgeFace(face, patch(-0.45)).says).toBe('well');
    expect(judgeFace(face, patch(0.1))).toMatchObject({ says: 'bright', off: expect.closeTo(0.5) });
    expect(judgeFace(face, patch(-1)).says).toBe('dark');
    expect(judgeFace(face, patch(-0.4, 0.1)).says).toBe('clipped');
    expect(offsetOf([patch(1), patch(1.2), patch(5)])).toBeCloseTo(1.2);
  });
});

describe('the evening of the stage', () => {
  it('grows dark, fails a lamp, leaves automatics on, and never ends', () => {
    const sky = (minutes: number) => eveningAt(60 * minutes).weights[2];
    expect(sky(6)).toBeCloseTo(sky(0) / 2);
    expect(sky(60)).toBeLessThan(0.001);
    expect(eveningAt(nextFault('lamp', 0) + 1).weights[1]).toBe(0.5);
    expect(eveningAt(nextFault('balance', 0) + 1).automatics).toEqual(['balance']);
    expect(eveningAt(nextFault('iris', 0) - 1).automatics).toEqual([]);
    const late = nextFault('lamp', 4 * 3600);
    expect(late).toBeGreaterThanOrEqual(4 * 3600);
    expect(late - 4 * 3600).toBeLessThan(EVENING_ROUND);
    expect(eveningAt(late + 1).weights[1]).toBe(0.5);
  });
});

describe('what is written down', () => {
  it('is a sentence each', () => {
    const at = { at: 0, inputId: 'hall-1' };
    expect(sizeWords('light', -1 / 3)).toBe('Light −0.33 stop');
    const drift = { ...at, what: 'drift', kind: 'balance', size: 12, cause: 'camera' } as const;
    expect(eventSays({ ...drift, state: 'began' })).toBe('Balance +12 mired: this camera’s alone.');
    expect(eventSays({ ...drift, state: 'over' })).toBe('Balance is back.');
    expect(eventSays({ ...at, what: 'input', state: 'gone' })).toContain('picked up again');
    for (const kind of Object.keys(BANDS) as (keyof typeof BANDS)[])
      expect(eventSays({ ...at, what: 'seen', kind })).toMatch(/seen\.$/);
  });
});
