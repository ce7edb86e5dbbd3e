import { describe, expect, it } from 'vitest';
import { writeCcc } from '#core/formats/cdl.ts';
import { writeEdl } from '#core/formats/edl.ts';
import { NEUTRAL_CDL } from '#core/lut/cdl.ts';
import { correctionCdl } from '#core/match/asCdl.ts';
import { demoBook } from '#store/fixtures/demoBook.ts';
import { demoClips } from '#store/fixtures/demoClips.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { BundleOf } from '../bundle/parts.ts';
import { operationOf } from '#core/correction/operations.ts';
import { matchEdit, matchLacks, placementEdit } from './learned.ts';
import { compareReturned, readReturned } from './returned.ts';
import type { ReturnedRow } from './returnedRow.ts';

const records = demoBook();
const { clips, takes } = demoClips();
/** B-cam's clip of the furnace as ten clips of one name each. */
const ten = Array.from({ length: 10 }, (_, i): ClipRecord => {
  const clip = clips.find(({ id }) => id === 'demo-clip-furnace-mouth-b-cam-1')!;
  return { ...clip, id: `ten-${i}`, file: { ...clip.file, name: `B01${i}.mov` } };
});
const of: BundleOf = {
  records,
  shoot: records.shoots.get('salt-and-fire')!,
  takes,
  clips: [...clips.filter(({ correction }) => correction), ...ten],
  shootJson: '',
  at: new Date(0),
  thumbnails: new Map(),
};
const classic = records.profiles.get('classicLog')!.data;
const lift = (stops: number) =>
  correctionCdl(
    { primaries: classic.gamut, operations: [{ kind: 'exposure', stops }] },
    classic,
    'code',
    records.cameras.get('b-cam')!.coding,
  ).cdl;
const named = (i: number, stops: number) => ({ id: `B01${i}`, descriptions: [], cdl: lift(stops) });

describe('corrections that came back', () => {
  it('say what was moved by how much on how many clips, and where the card goes next time', () => {
    const text = writeCcc(ten.map((_, i) => named(i, i === 4 ? 0 : 1 / 3)));
    const read = readReturned('back.ccc', text);
    if (!read.ok) throw new Error(read.reason);
    const { rows, unknown } = compareReturned(of, read.value);
    expect(unknown).toEqual([]);
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ setup: 'Furnace mouth', camera: 'B-cam', clips: 10, moved: 9 });
    expect(rows[0].change.stops).toBeCloseTo(1 / 3, 1);
    // Planned at +1, lifted by a third: a third more the next time.
    expect(rows[0].placement).toBeCloseTo(4 / 3, 6);
  });

  it('feed the next plan and the match, each as one edit', () => {
    const read = readReturned('back.ccc', writeCcc(ten.map((_, i) => named(i, i === 4 ? 0 : 1 / 3))));
    if (!read.ok) throw new Error(read.reason);
    const { rows } = compareReturned(of, read.value);
    const edit = placementEdit(records, 'salt-and-fire', rows[0]);
    expect(edit?.changes).toMatchObject([{ table: 'plans', after: { placement: rows[0].placement } }]);
    // Planned so already, or a set-up that is gone: there is nothing to do.
    const plans = new Map(records.plans).set(edit!.changes[0].id, edit!.changes[0].after as never);
    expect(placementEdit({ ...records, plans }, 'salt-and-fire', rows[0])).toBeUndefined();
    expect(placementEdit({ ...records, setups: new Map() }, 'salt-and-fire', rows[0])).toBeUndefined();

    const [lack] = matchLacks(records, { rows, hash: 7 });
    expect(lack).toMatchObject({ camera: 'B-cam', hero: 'A-cam', clips: 10, moved: 9 });
    const before = records.cameras.get('b-cam')!;
    const after = matchEdit(records, lack, 7)!.changes[0].after as typeof before;
    const stopsOf = ({ matches }: typeof before) =>
      matches!.map(({ correction }) => operationOf(correction, 'exposure')?.stops ?? 0);
    stopsOf(after).forEach((stops, i) => expect(stops).toBeCloseTo(stopsOf(before)[i] + 1 / 3, 1));
    // The same file opened again adds nothing; another one may.
    const now = { ...records, cameras: new Map(records.cameras).set(after.id, after) };
    const [again] = matchLacks(now, { rows, hash: 7 });
    expect(again.isAdded).toBe(true);
    expect(matchEdit(now, again, 7)).toBeUndefined();
    expect(matchLacks(now, { rows, hash: 8 })[0].isAdded).toBe(false);
  });

  it('take off what the hero was moved by: both lifted alike say nothing about the match', () => {
    const row = (cameraId: string, stops: number): ReturnedRow => ({
      setup: 'Furnace mouth',
      setupId: 'furnace-mouth',
      camera: cameraId,
      cameraId,
      clips: 4,
      moved: 4,
      change: { stops, warmer: 0, saturation: 1 },
    });
    expect(matchLacks(records, { rows: [row('b-cam', 0.4), row('a-cam', 0.4)], hash: 7 })).toEqual([]);
    expect(
      matchLacks(records, { rows: [row('b-cam', 0.4), row('a-cam', -0.2)], hash: 7 })[0].stops,
    ).toBeCloseTo(0.6, 9);
    expect(matchLacks(records, { rows: [{ ...row('b-cam', 0.4), moved: 2 }], hash: 7 })).toEqual([]);
  });

  it('what was handed over and came back the same is nothing, from a list too', () => {
    const own = of.clips[0];
    const text = writeEdl({
      title: 't',
      perSecond: 25,
      events: [
        {
          clipName: own.file.name,
          reel: 'A',
          start: { frames: 0, perSecond: 25, isDropFrame: false },
          frames: 10,
          cdl: compareCdl(),
        },
      ],
    });
    const read = readReturned('back.EDL', text);
    if (!read.ok) throw new Error(read.reason);
    const { rows } = compareReturned(of, read.value);
    expect(rows[0].change.stops).toBeCloseTo(0, 3);
    expect(rows[0]).toMatchObject({ moved: 0 });
    expect(rows[0].placement).toBeUndefined();
  });

  it('names that no clip has are named; two clips of one name are told apart as they were handed over', () => {
    const twice = { ...ten[0], id: 'twin', cameraId: 'a-cam' };
    const { rows, unknown } = compareReturned({ ...of, clips: [...of.clips, twice] }, [
      { name: 'Z9999', cdl: NEUTRAL_CDL },
      // Under this name the first of the two was handed over; the other is called `B010 (2)`.
      { name: 'B010', cdl: lift(1 / 3) },
      // In a list both have one name: it cannot be told which is meant.
      { name: 'B010.mov', cdl: lift(1 / 3) },
    ]);
    expect(rows.map(({ camera }) => camera)).toEqual(['B-cam']);
    expect(unknown).toEqual(['Z9999', 'B010.mov']);
  });

  it.each([
    ['a.edl', '001  A V C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00', /no corrections/],
    ['a.edl', 'nothing', /no event/],
    ['a.ccc', 'nothing', /./],
  ])('%s: %s is refused with a sentence', (name, text, reason) => {
    expect(readReturned(name, text)).toMatchObject({ ok: false, reason: expect.stringMatching(reason) });
  });
});

/** The CDL that the accepted correction of the demo is handed over as. */
function compareCdl() {
  const clip = of.clips[0];
  const camera = records.cameras.get(clip.cameraId)!;
  const profile = records.profiles.get(clip.found!.profileId!)!;
  return correctionCdl(clip.correction!.correction, profile.data, 'code', camera.coding).cdl;
}
