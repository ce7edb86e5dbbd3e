import { describe, expect, it } from 'vitest';
import { filmedClips, filmingOf, USUAL } from '../fixtures/filmed.ts';
import type { SlipId } from '../film/slips.ts';
import { align } from './alignment.ts';
import { filmedShots, findShots, foundIn, problemsOf } from './foundIn.ts';
import { holdsOf } from './holds.ts';
import { SURE } from './recognise.ts';

const NO_EDITS = { labels: {}, bounds: {} };
const TEN = { bitDepth: 10, range: 'legal' } as const;

describe('laying holds along a list', () => {
  const fits = (shots: string, holds: string) =>
    align(shots.length, holds.length, (i, j) => (shots[i] === holds[j] ? 0 : 9));

  it('finds each in its place, a missing one left out, a stray one left over, a repeated one twice', () => {
    expect(fits('abcd', 'abcd').shotOf).toEqual([0, 1, 2, 3]);
    expect(fits('abcd', 'abd').shotOf).toEqual([0, 1, 3]);
    expect(fits('abcd', 'abxcd').shotOf).toEqual([0, 1, -1, 2, 3]);
    expect(fits('abcd', 'abbcd').shotOf).toEqual([0, 1, 1, 2, 3]);
  });

  it('is not sure where two places fit as well, and is where one does', () => {
    const { sure } = fits('aab', 'ab');
    expect(sure[0]).toBeLessThan(0.6);
    expect(sure[1]).toBeGreaterThan(0.95);
    for (const { beliefs } of [fits('aabb', 'abb'), fits('abc', 'xyz')])
      for (const row of beliefs) expect(row.reduce((a, b) => a + b, 0)).toBeLessThan(1 + 1e-9);
  });

  it('takes who stopped early to have left out the rest, not a shot in the middle', () => {
    const { shotOf, sure } = fits('abbcd', 'ab');
    expect(shotOf).toEqual([0, 1]);
    expect(sure[1]).toBeGreaterThan(0.85);
    // With the rest filmed the middle one is as open as before.
    expect(fits('abbcd', 'abcd').sure[1]).toBeLessThan(0.6);
  });

  it('holds nothing where there is nothing', () => {
    expect(align(0, 2, () => 0).shotOf).toEqual([-1, -1]);
    expect(align(3, 0, () => 0).shotOf).toEqual([]);
  });
});

/** Steps of a bracket at clip are one like the other. */
const isSame = (id: string | undefined, truth: string | undefined): boolean =>
  id === truth || [id, truth].every((one) => /^(bracket|back) /.test(one ?? ''));

describe('shots of a filmed list', () => {
  it.each<[SlipId[]]>([[[]], [['twice', 'hand', 'drift']], [['forgotten', 'twice']]])(
    'are found with %j: 98 of 100, none taken for another without being asked about',
    (slips) => {
      let [count, right] = [0, 0];
      for (const archetype of ['wideLog', 'flat'] as const) {
        const { clips, really } = filmedClips(filmingOf(archetype, TEN, { slips, seed: 3, frames: 8 }));
        const found = findShots(USUAL, clips, NO_EDITS);
        for (const { hold, shotId, sure } of found) {
          const truth = really[Number(hold.clip)];
          count += 1;
          if (sure < SURE) continue;
          right += 1;
          expect(isSame(shotId, truth)).toBe(true);
        }
      }
      expect(right / count).toBeGreaterThanOrEqual(0.98);
    },
    60_000,
  );

  it('are known by their noise where an automatic held the level, and named where they are missing', () => {
    const { clips, really } = filmedClips(filmingOf('wideLog', TEN, { slips: ['autoExposure', 'early'] }));
    const found = findShots(USUAL, clips, NO_EDITS);
    for (const { hold, shotId } of found) expect(shotId).toBe(really[Number(hold.clip)]);
    const problems = problemsOf(USUAL, found);
    expect(
      problems.some(({ id, text }) => id === 'missing again' && /Not found: card at the end/.test(text)),
    ).toBe(true);
  }, 30_000);

  it('are asked about where one is as much the one as the other, and not evaluated before that', () => {
    const filmed = USUAL.filter(({ id }) => id !== 'edge lowest');
    const { clips, really } = filmedClips(filmingOf('wideLog', TEN), filmed);
    const found = findShots(USUAL, clips, NO_EDITS);
    for (const { hold, shotId, sure } of found)
      if (sure >= SURE) expect(isSame(shotId, really[Number(hold.clip)])).toBe(true);
    const doubtful = found.filter(({ shotId, sure }) => shotId !== undefined && sure < SURE);
    expect(doubtful.length).toBeGreaterThan(0);
    expect(problemsOf(USUAL, found).find(({ id }) => id === 'doubtful')?.text).toMatch(/not sure/);
    const used = filmedShots(USUAL, found).map(({ hold }) => hold);
    for (const { hold } of doubtful) expect(used).not.toContain(hold);
  }, 30_000);

  it('are what somebody says they are, and go from where to where they say', () => {
    const { clips } = filmedClips(filmingOf('wideLog', TEN), USUAL.slice(0, 8));
    const [first] = findShots(USUAL, clips, NO_EDITS);
    const edits = {
      labels: { [first.hold.id]: 'again' },
      bounds: { [first.hold.id]: { from: 1, to: 2 } },
    };
    const [changed] = foundIn(findShots(USUAL, clips, edits), edits);
    expect(changed).toMatchObject({
      id: first.hold.id,
      shotId: 'again',
      isSet: true,
      sure: 1,
      from: 1,
      to: 2,
    });
    const none = { ...edits, labels: { [first.hold.id]: null } };
    expect(foundIn(findShots(USUAL, clips, none), none)[0].shotId).toBeUndefined();
  }, 30_000);

  it('say where no card lies, and where the clips are others', () => {
    const { clips } = filmedClips(filmingOf('wideLog', TEN), USUAL.slice(0, 12));
    const found = findShots(USUAL, clips, NO_EDITS);
    expect(problemsOf(USUAL, found).some(({ id }) => id === 'no card' || id === 'other')).toBe(false);
    const rough = found.map((one) => ({
      ...one,
      hold: { ...one.hold, card: { ...one.hold.card, spatial: 0.05 } },
    }));
    expect(problemsOf(USUAL, rough).find(({ id }) => id === 'no card')?.text).toMatch(/drag the mark/);
    const other = found.map(({ hold, sure }, i) => (i === 0 ? found[0] : { hold, sure }));
    expect(problemsOf(USUAL, other).find(({ id }) => id === 'other')?.text).toMatch(/^11 of 12 shots/);
  }, 30_000);

  it('are held in one file with a hand over the lens between, and nothing is made of an empty one', () => {
    const { clips } = filmedClips(filmingOf('wideLog', TEN), USUAL.slice(4, 9));
    const length = 4;
    const one = {
      name: 'one',
      perCode: clips[0].perCode,
      glances: clips.flatMap(({ glances }, i) =>
        glances.map((glance) => ({ ...glance, at: glance.at + i * length })),
      ),
    };
    expect(holdsOf([one])).toHaveLength(5);
    expect(holdsOf([{ ...one, glances: [] }])).toEqual([]);
    expect(findShots(USUAL, [], NO_EDITS)).toEqual([]);
  }, 30_000);

  it('say where a level moves while it is held', () => {
    const { clips } = filmedClips(filmingOf('wideLog', TEN), USUAL.slice(4, 5));
    const sliding = clips.map((clip) => ({
      ...clip,
      glances: clip.glances.map((glance, i) => ({
        ...glance,
        card: { ...glance.card, signal: glance.card.signal + 0.003 * i },
      })),
    }));
    expect(foundIn(findShots(USUAL, sliding, NO_EDITS), NO_EDITS)[0].odd).toMatch(/level moves/);
    expect(foundIn(findShots(USUAL, clips, NO_EDITS), NO_EDITS)[0].odd).toBeUndefined();
  }, 30_000);
});
