import { describe, expect, it } from 'vitest';
import { operationOf, type Correction } from '#core/correction/operations.ts';
import { clipToHero } from '#core/match/clipCorrection.ts';
import { demoClips } from '#store/fixtures/demoClips.ts';
import { demoBook } from '#store/fixtures/demoBook.ts';
import { factsOf } from '#store/takeFacts.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import { clipLines } from '../clips/clipLines.ts';
import { lineOfHeroTake } from './heroTake.ts';
import { clipsToHeroes, driftOf, standingOfClip } from './clipMatches.ts';

const book = demoBook();
const { clips: asShipped, takes } = demoClips();
/** Nothing is accepted yet. */
const clips = asShipped.map(({ correction: _, ...clip }) => clip);
const rowsOf = (all: readonly ClipRecord[] = clips, records = book) =>
  clipsToHeroes(
    clipLines(
      all,
      takes.map((take) => factsOf(take)),
      (id) => records.cameras.get(id)?.name,
    ),
    records,
    'salt-and-fire',
  );
const named = (rows: ReturnType<typeof rowsOf>, file: string, setup: string) =>
  rows.find(({ line }) => line.clip.file.name === file && line.setup === setup)!;

describe('clips to the hero of their set-up', () => {
  it('the hero is the best of the hero camera, and is brought to nothing', () => {
    const rows = rowsOf();
    const hero = named(rows, 'A0005.y4m', 'Furnace mouth');
    expect(hero.isHero).toBe(true);
    expect(hero.pair).toBeUndefined();
    expect(named(rows, 'B0005.y4m', 'Packing yard at noon').hero.camera).toBe('A-cam');
  });

  it('a clip a stop over is brought down by a stop and cuts then', () => {
    const row = named(rowsOf(), 'A0004.y4m', 'Furnace mouth');
    const { clip, hero, space } = row.pair!;
    const match = clipToHero(clip, hero, space);
    expect(match.by).toBe('marks');
    expect(operationOf(match.correction, 'exposure')?.stops).toBeCloseTo(-1, 1);
    const standing = standingOfClip(row, match)!;
    expect(standing.verdict).toEqual({ before: 'jars', after: 'together' });
    expect(standing.accepted).toBe(false);
  });

  it('clips of another profile are matched in BT.2020, those of the same in their own primaries', () => {
    const rows = rowsOf();
    expect(named(rows, 'B0004.y4m', 'Furnace mouth').pair?.space.primaries).toBe('bt2020');
    const own = named(rows, 'A0004.y4m', 'Furnace mouth');
    expect(own.pair?.space.primaries).toEqual(own.profile.data.gamut);
  });

  it('what is stored stands before what was solved, as long as the hero is the same', () => {
    const before = named(rowsOf(), 'A0004.y4m', 'Furnace mouth');
    const match = clipToHero(before.pair!.clip, before.pair!.hero, before.pair!.space);
    const correction: Correction = {
      ...match.correction,
      operations: [{ kind: 'exposure', stops: -0.5 }],
    };
    const stored = (heroId: string) =>
      clips.map((clip) =>
        clip.id === before.line.clip.id
          ? { ...clip, correction: { correction, by: 'hand' as const, heroId, accepted: true } }
          : clip,
      );
    const row = named(rowsOf(stored(before.hero.clip.id)), 'A0004.y4m', 'Furnace mouth');
    expect(standingOfClip(row, match)).toMatchObject({ correction, by: 'hand', accepted: true });
    expect(standingOfClip(row, match)!.verdict.after).toBe('jars');
    const other = named(rowsOf(stored('another')), 'A0004.y4m', 'Furnace mouth');
    expect(standingOfClip(other, match)).toMatchObject({ by: 'marks', accepted: false });
  });

  it('a hero chosen by hand goes before the best', () => {
    const chosen = named(rowsOf(), 'A0004.y4m', 'Furnace mouth').line.clip.id;
    const setup = { ...book.setups.get('furnace-mouth')!, heroClipId: chosen };
    const records = { ...book, setups: new Map(book.setups).set(setup.id, setup) };
    expect(named(rowsOf(clips, records), 'A0005.y4m', 'Furnace mouth').hero.clip.id).toBe(chosen);
  });

  it('a clip that was surveyed before light was measured has no pair', () => {
    const old = clips.map((clip) => ({ ...clip, found: { ...clip.found!, tones: undefined } }));
    expect(rowsOf(old).every(({ pair }) => pair === undefined)).toBe(true);
  });

  it('drift gets a value at both ends, as far as the card was seen three times', () => {
    const clip = named(rowsOf(), 'A0006.y4m', 'Packing yard at noon').line.clip;
    const drift = driftOf(clip)!;
    expect(Math.abs(drift.from.stops - drift.to.stops)).toBeGreaterThan(1);
    expect(
      driftOf({ ...clip, found: { ...clip.found!, samples: clip.found!.samples.slice(0, 2) } }),
    ).toBeUndefined();
  });

  it('a take without a clip can be the hero: its marks are what is brought to', () => {
    const records = demoBook();
    const take = takes.find(({ id }) => id === 'demo-furnace-mouth-a-cam-2')!;
    const setup = { ...records.setups.get('furnace-mouth')!, heroTakeId: take.id };
    const book = { ...records, setups: new Map(records.setups).set(setup.id, setup) };
    const others = clips.filter(({ take: of }) => of?.id !== take.id);
    const lines = clipLines(
      others,
      takes.map((one) => factsOf(one)),
      (id) => records.cameras.get(id)?.name,
    );
    const rows = clipsToHeroes(lines, book, 'salt-and-fire', new Map([[take.id, take]]));
    const row = named(rows, 'A0004.y4m', 'Furnace mouth');
    expect(row.hero.clip.id).toBe(take.id);
    expect(row.heroReason).toContain('chosen by hand');
    const { clip, hero, space } = row.pair!;
    const match = clipToHero(clip, hero, space);
    expect(match.by).toBe('marks');
    // The other take of the two was a stop over.
    expect(operationOf(match.correction, 'exposure')?.stops).toBeCloseTo(-1, 1);
    expect(lineOfHeroTake({ ...take, measured: { ...take.measured!, patches: [] } }, [])).toBeUndefined();
  });
});
