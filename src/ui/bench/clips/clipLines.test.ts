import { demoClips } from '#store/fixtures/demoClips.ts';
// The day's clips as lines: which is the hero, what is off, what is unusual.
import { describe, expect, it } from 'vitest';
import type { ClipRecord } from '#store/records/clip.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { clipLines, grouped, heroReason, narrowed, robustZ } from './clipLines.ts';

/** A picture of a hump of tones about a middle, shares a half stop from -10. */
const hump = (middle: number) => {
  const shares = Array.from({ length: 40 }, (_, bin) =>
    Math.exp(-(((bin + 0.5) / 2 - 10 - middle) ** 2) / 3),
  );
  const all = shares.reduce((sum, one) => sum + one, 0);
  return shares.map((share) => share / all);
};

const clip = (
  id: string,
  part: Partial<ClipRecord> & { readonly at?: number; readonly card?: number } = {},
): ClipRecord => {
  const { at = 0, card, ...rest } = part;
  return {
    id,
    shootId: 's',
    cameraId: 'a',
    file: { name: `${id}.mov`, bytes: 1, writtenAt: '2026-04-14T08:00:00.000Z' },
    state: 'surveyed',
    found: {
      samples: [{ frame: 0, at: 0, meanStops: at, clippedAll: 0 }],
      distribution: hump(at),
      meanStops: at,
      ...(card === undefined ? {} : { cardStops: card }),
      clippedAll: 0,
      clippedSome: 0,
      underFloor: 0,
      driftStops: 0,
    },
    take: { id: `take-${id}`, by: 'found', probability: 1 },
    circled: false,
    notes: '',
    pictures: 0,
    ...rest,
  };
};
const take = (id: string, part: Partial<TakeFacts> = {}): TakeFacts => ({
  id: `take-${id}`,
  number: 1,
  loggedAt: '2026-04-14T08:00:00.000Z',
  day: '2026-04-14',
  setup: 'Quay',
  setupId: 'quay',
  camera: 'A',
  circled: false,
  verdict: 'none',
  planned: 1,
  text: '',
  ...part,
});
const linesOf = (clips: readonly ClipRecord[], takes = clips.map(({ id }) => take(id))) =>
  clipLines(clips, takes, () => 'A');

describe('lines of the day', () => {
  it('the circled one is the hero, else the one on plan; the others are held against it', () => {
    const clips = [clip('one', { card: 1.5 }), clip('two', { card: 1.05 }), clip('three', { at: 0.5 })];
    const [one, two, three] = linesOf(clips);
    expect(two.isHero).toBe(true);
    expect(heroReason(two)).toBe('best of its set-up, 0.1 stop off plan by its card, 0.0 % clipped');
    expect(one.againstHero).toEqual({ stops: expect.closeTo(0.45), by: 'card' });
    expect(three.againstHero).toMatchObject({ by: 'estimate' });
    expect(three.againstHero?.stops).toBeCloseTo(0.5, 1);
    // Off the plan by what the hero is off, and by what it is off the hero.
    expect(three.off?.stops).toBeCloseTo(0.55, 1);
    const circled = linesOf([clips[0], clips[1], { ...clips[2], circled: true }]);
    expect(circled.map(({ isHero }) => isHero)).toEqual([false, false, true]);
  });

  it('what is the case, the most pressing first', () => {
    const state = (part: Partial<ClipRecord> & { card?: number }, takes?: TakeFacts[]) =>
      linesOf([clip('x', part)], takes)[0].state;
    expect(state({ card: 1 })).toBe('fine');
    expect(state({ card: 1.4 })).toBe('off');
    expect(state({}, [])).toBe('noTake');
    expect(state({ take: { id: 'take-x', by: 'found', probability: 0.7 } })).toBe('unsure');
    expect(state({ take: { id: 'take-x', by: 'hand' } })).toBe('fine');
    expect(state({ state: 'waiting' })).toBe('waiting');
    expect(state({ state: 'leftOut', problem: 'empty' })).toBe('leftOut');
    const doubtful = clip('x');
    expect(state({ found: { ...doubtful.found!, cardStops: 1, driftStops: 0.5 } })).toBe('off');
    expect(state({ found: { ...doubtful.found!, driftStops: 0.5 } })).toBe('fine');
    expect(state({ found: { ...doubtful.found!, doubt: 'Read as legal, looks full' } })).toBe('off');
  });

  it('one of many that stands out is unusual; of three none is', () => {
    const many = [0, 0.05, -0.04, 0.02, 1.6, 0.01].map((at, i) => clip(`c${i}`, { at }));
    const lines = linesOf(many);
    const most = lines.toSorted((a, b) => Math.abs(b.unusual) - Math.abs(a.unusual))[0];
    expect(most.clip.id).toBe('c4');
    expect(Math.abs(most.unusual)).toBeGreaterThan(3.5);
    expect(robustZ([0, 0, 5])).toEqual([0, 0, 0]);
  });

  it('clips of other set-ups and cameras have heroes of their own', () => {
    const clips = [clip('a'), clip('b'), clip('c'), clip('d')];
    const lines = linesOf(clips, [
      take('a'),
      take('b'),
      take('c', { setup: 'Hall' }),
      take('d', { setup: 'Hall' }),
    ]);
    expect(lines.filter(({ isHero }) => isHero)).toHaveLength(2);
    expect(grouped(lines, 'setup').map(({ name }) => name)).toEqual(['Hall', 'Quay']);
    expect(grouped(lines, 'none')).toHaveLength(1);
  });

  it('is searched by words and state', () => {
    const lines = linesOf([clip('B0017', { notes: 'Boom in shot' }), clip('B0018', { state: 'waiting' })]);
    expect(narrowed(lines, { find: 'boom quay' }).map((line) => line.clip.id)).toEqual(['B0017']);
    expect(narrowed(lines, { state: 'waiting' }).map((line) => line.clip.id)).toEqual(['B0018']);
    expect(narrowed(lines, { find: 'nothing' })).toEqual([]);
  });

  it('no clip of the demo is held to be recorded otherwise than it was', () => {
    expect(demoClips().clips.map(({ found }) => found?.doubt)).toEqual(
      demoClips().clips.map(() => undefined),
    );
  });
});
