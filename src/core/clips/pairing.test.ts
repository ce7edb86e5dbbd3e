// Simulated days: clocks wrong by hours, missing and extra clips, false starts. Numbers of our own.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaussian, seededRandom } from '../random.ts';
import { pairClips, numberInName } from './pairing.ts';
import type { ClipOnCard, TakeInLog } from './types.ts';

type Day = {
  readonly clips: ClipOnCard[];
  readonly takes: TakeInLog[];
  readonly truth: Map<string, string>;
  offset: number;
};

/** A day of one camera: clips of 5 s to 8 min, logged while they run or after, some never, some twice begun. */
const day = (seed: number, count: number): Day => {
  const random = seededRandom(seed);
  const normal = gaussian(random);
  const offset = Math.round((random() - 0.5) * 20 * 3600);
  const [clips, takes]: [ClipOnCard[], TakeInLog[]] = [[], []];
  const truth = new Map<string, string>();
  let now = 1_790_000_000;
  let number = Math.floor(random() * 400);
  let gap = 60;
  const roll = (seconds: number) => {
    const id = `clip ${(number += 1)}`;
    // Cameras write whole seconds.
    const clip = {
      id,
      name: `A${String(number).padStart(4, '0')}.mov`,
      startedAt: Math.floor(now + offset),
      seconds,
    };
    return clip;
  };
  for (let n = 0; n < count; n += 1) {
    now += gap;
    gap = 20 + 240 * random() ** 2 + (random() < 0.06 ? 2400 * random() : 0);
    if (random() < 0.08) {
      clips.push(roll(1 + 3 * random()));
      now += 8 + 20 * random();
    }
    const seconds = 5 + Math.exp(3.2 + 0.9 * normal());
    const clip = roll(seconds);
    const isLost = random() < 0.03;
    if (!isLost) clips.push(clip);
    const isLogged = random() > 0.07;
    if (isLogged) {
      const wait = random() < 0.4 ? seconds * random() : seconds - 25 * Math.log(1 - random());
      const take = { id: `take ${n}`, loggedAt: now + Math.min(wait, seconds + 0.9 * gap) };
      takes.push(take);
      if (!isLost) truth.set(clip.id, take.id);
    }
    now += seconds;
  }
  return { clips, takes, truth, offset };
};

const judged = ({ clips, takes, truth }: Day) => {
  const { pairs } = pairClips(clips, takes);
  const wrong = pairs.filter(({ clipId, takeId }) => truth.get(clipId) !== takeId);
  const missed = [...truth].filter(([clipId]) => !pairs.some((pair) => pair.clipId === clipId));
  return { pairs, wrong, missed };
};

describe('which clip is which take', () => {
  it('days of two cameras, 150 clips: 98 % right, and what is wrong is among the unsure', () => {
    let [all, wrongs, sureWrongs, sure] = [0, 0, 0, 0];
    for (let seed = 1; seed <= 30; seed += 1)
      for (const camera of [0, 1000]) {
        const one = day(seed + camera, 75);
        const { pairs, wrong, missed } = judged(one);
        all += one.truth.size;
        wrongs += wrong.length + missed.length;
        sureWrongs += wrong.filter(({ isSure }) => isSure).length;
        sure += pairs.filter(({ isSure }) => isSure).length;
      }
    expect(wrongs / all).toBeLessThan(0.02);
    expect(sureWrongs).toBe(0);
    // Not so by calling everything unsure.
    expect(sure / all).toBeGreaterThan(0.8);
  });

  it('the clock is read within half a minute; given by hand it is gone by', () => {
    const one = day(7, 75);
    const { clock } = pairClips(one.clips, one.takes);
    expect(Math.abs(clock[0].offset - one.offset)).toBeLessThan(30);
    expect(clock[0].probability).toBeGreaterThan(0.99);
    expect(pairClips(one.clips, one.takes, one.offset + 3600).clock).toEqual([
      { offset: one.offset + 3600, probability: 1 },
    ]);
  });

  it('takes at even pauses fit several clocks: the pairs are unsure', () => {
    const clips = Array.from({ length: 8 }, (_, i) => ({
      id: `c${i}`,
      name: `B${i}.mov`,
      startedAt: 5000 + 300 * i,
      seconds: 30,
    }));
    const takes = Array.from({ length: 6 }, (_, i) => ({ id: `t${i}`, loggedAt: 90_020 + 300 * i }));
    const { pairs, clock } = pairClips(clips, takes);
    expect(clock.length).toBeGreaterThan(1);
    expect(pairs.every(({ isSure }) => !isSure)).toBe(true);
  });

  it('without start times it goes by the order and the names, and is sure of names alone', () => {
    const clips = ['C0003.mov', 'C0001.mov', 'C0002.mov'].map((name) => ({ id: name, name, seconds: 30 }));
    const takes = [
      { id: 't1', loggedAt: 100, file: 'c0001.MOV' },
      { id: 't2', loggedAt: 400, file: 'C0003.mp4' },
    ];
    const { pairs } = pairClips(clips, takes);
    expect(pairs.map(({ clipId, takeId }) => [clipId, takeId])).toEqual([
      ['C0001.mov', 't1'],
      ['C0003.mov', 't2'],
    ]);
    expect(pairs.every(({ isSure }) => isSure)).toBe(true);
  });

  it('nothing to pair is no pair', () => {
    expect(pairClips([], [])).toEqual({ pairs: [], clock: [] });
    expect(pairClips([{ id: 'a', name: 'a.mov', startedAt: 5, seconds: 3 }], [])).toEqual({
      pairs: [],
      clock: [],
    });
    expect(pairClips([], [{ id: 't', loggedAt: 4 }]).pairs).toEqual([]);
  });

  it('every clip and take is used once, in order, whatever comes', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ at: fc.integer({ min: 0, max: 5000 }), seconds: fc.integer({ min: 0, max: 300 }) }),
          { maxLength: 12 },
        ),
        fc.array(fc.integer({ min: 0, max: 9000 }), { maxLength: 12 }),
        (cards, logs) => {
          const clips = cards.map(({ at, seconds }, i) => ({
            id: `c${i}`,
            name: `c${i}.mov`,
            startedAt: at,
            seconds,
          }));
          const { pairs } = pairClips(
            clips,
            logs.map((loggedAt, i) => ({ id: `t${i}`, loggedAt })),
          );
          expect(new Set(pairs.map(({ clipId }) => clipId)).size).toBe(pairs.length);
          expect(new Set(pairs.map(({ takeId }) => takeId)).size).toBe(pairs.length);
          for (const { probability } of pairs) expect(probability).toBeGreaterThanOrEqual(0);
          for (const { probability } of pairs) expect(probability).toBeLessThanOrEqual(1 + 1e-9);
        },
      ),
      { seed: 3, numRuns: 60 },
    );
  });
});

describe('numbers in names', () => {
  it.each([
    ['C0012.MP4', 12],
    ['A003_C017_0612.mov', 612],
    ['slate.mov', undefined],
  ])('%s: %s', (name, number) => expect(numberInName(name)).toBe(number));
});
