// A part of a shoot, and the stills that go with it.
import 'fake-indexeddb/auto';
import { unzipSync } from 'fflate';
import { afterEach, describe, expect, it } from 'vitest';
import { zoneOf } from '#core/day/clock.ts';
import { factsOf } from '#store/takeFacts.ts';
import { MOST_BYTES, MOST_STILLS, StillBox, stillNameOf, type KeptStill } from '../stills/stillBox.ts';
import { bundleFiles } from './bundleFiles.ts';
import { extentsOf, narrowed, WHOLE } from './extent.ts';
import { bundling, made } from './fixtures/bundling.ts';

const { fresh, shootIn, closeAll } = bundling('extent');
afterEach(closeAll);

describe('a bundle', () => {
  it('is narrowed to a day, a set-up or what was circled: their takes, clips and LUTs, the shoot whole', async () => {
    const { of } = await shootIn(fresh());
    const facts = of.takes.map((take) => factsOf(take, zoneOf(of.shoot.sun!.clock)));
    const extents = extentsOf(of.records, of.shoot, facts);
    expect(extents.map(({ id }) => id).slice(0, 3)).toEqual(['shoot', 'circled', 'day:2026-04-14']);
    for (const extent of extents.slice(1)) {
      const part = narrowed(of, extent);
      expect(part.takes.length).toBeGreaterThan(0);
      expect(part.takes.length).toBeLessThan(of.takes.length);
      const ids = new Set(part.takes.map(({ id }) => id));
      for (const { take } of part.clips) expect(ids.has(take!.id!)).toBe(true);
      const { files } = bundleFiles(part);
      const recipes = files.flatMap(({ path }) => (path.startsWith('recipes/') ? [path] : []));
      expect(recipes).toHaveLength(new Set(part.takes.map(({ setupId }) => setupId)).size);
      const json = files.find(({ path }) => path === 'shoot.json');
      expect(json && 'text' in json && json.text).toBe(of.shootJson);
    }
    // Every take is in one of the days.
    const days = extents
      .filter(({ id }) => id.startsWith('day:'))
      .map((day) => narrowed(of, day).takes.length);
    expect(days.reduce((sum, n) => sum + n, 0)).toBe(of.takes.length);
    expect(narrowed(of, WHOLE)).toBe(of);
    // A clip without a take is of the day it was made on, and of no set-up.
    const [clip] = of.clips;
    const lone = { ...of, clips: [{ ...clip, take: undefined }] };
    expect(extents.filter((extent) => narrowed(lone, extent).clips.length > 0).map(({ id }) => id)).toEqual([
      'shoot',
      'day:2026-04-14',
    ]);
  });

  it('holds the stills that were kept, as recorded and graded; one of a name takes the place of the other', async () => {
    const { of } = await shootIn(fresh());
    const bytes = (n: number) => Uint8Array.of(n, n);
    const still = (name: string, n: number): KeptStill => ({
      shootId: of.shoot.id,
      setupId: 'furnace-mouth',
      cameraId: 'a-cam',
      name,
      asShot: bytes(n),
      graded: bytes(n + 1),
    });
    const name = stillNameOf('Furnace mouth', 'A-cam', 'card/A0005.mov', 74);
    expect(name).toBe('Furnace mouth A-cam A0005 frame 75');
    const box = new StillBox('extent');
    for (const one of [still(name, 1), still(name.toUpperCase(), 3), still('Ω: other', 5)])
      await box.keep(one);
    const stills = await box.ofShoot(of.shoot.id);
    expect(stills.map((one) => one.name)).toEqual([name.toUpperCase(), 'Ω: other']);
    expect(await box.ofShoot('another')).toEqual([]);
    const files = unzipSync((await made({ ...of, stills })).bytes);
    expect(files[`stills/${name.toUpperCase()}, as recorded.png`]).toEqual(bytes(3));
    expect(files[`stills/${name.toUpperCase()}, graded.png`]).toEqual(bytes(4));
    const elsewhere = narrowed({ ...of, stills }, { id: 'setup:packing-yard', name: 'Packing yard' });
    expect(bundleFiles(elsewhere).files.some(({ path }) => path.startsWith('stills/'))).toBe(false);
    // They are there after the window was closed, until they are taken out.
    box.close();
    const later = new StillBox('extent');
    expect(await later.list(of.shoot.id)).toHaveLength(2);
    await later.drop({ shootId: of.shoot.id, name });
    expect(await later.list(of.shoot.id)).toMatchObject([{ name: 'Ω: other' }]);
    // There are never more than can be held.
    for (let i = 0; i < MOST_STILLS + 3; i += 1) await later.keep(still(`n${i}`, 0));
    expect((await later.list(of.shoot.id)).map((one) => one.name)).toMatchObject({ 0: 'n3', length: 40 });
    const large = (share: number, n: number) => {
      const graded = Uint8Array.of(0);
      // As long as a large picture, without its memory.
      Object.defineProperty(graded, 'byteLength', { value: MOST_BYTES * share });
      return { ...still(`large ${n}`, 0), graded };
    };
    const namesAfter = async (...kept: readonly KeptStill[]) => {
      for (const one of kept) await later.keep(one);
      return (await later.list(of.shoot.id)).map((one) => one.name);
    };
    expect(await namesAfter(large(0.4, 1), large(0.4, 2), large(0.4, 3))).toEqual(['large 2', 'large 3']);
    expect(await namesAfter(large(2, 4))).toEqual(['large 4']);
    await later.delete();
  });
});
