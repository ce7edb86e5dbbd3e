import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { ARCHETYPE_PROFILES } from './builtIn.ts';
import { demoRecords } from './demo/index.ts';
import { MIGRATIONS } from './migrations.ts';
import { newSetup, newShoot } from './newShoot.ts';
import { openBooks } from './fixtures/openBooks.ts';
import { defaultPlan, resolveSelection, setupsOf } from './selection.ts';
import { TABLE_NAMES, TABLES } from './tables.ts';
import { nextTakeNumber, takesOfShoot } from './takes.ts';
import { sampleTake } from './fixtures/sampleTake.ts';

const { fresh, again, bookOf, closeAll } = openBooks('store');
afterEach(closeAll);

describe('the demo shoot', () => {
  it('has all seven set-ups and six cameras, every record true to its schema', () => {
    const records = demoRecords();
    expect(records.setups.map(({ name }) => name)).toHaveLength(7);
    expect(records.cameras.map(({ name }) => name)).toEqual([
      'A-cam',
      'B-cam',
      'Small cam',
      'Air cam',
      'Hall 1',
      'Hall 2',
    ]);
    for (const name of TABLE_NAMES) for (const row of records[name] ?? []) TABLES[name].parse(row);
  });

  it('names only records that are there', () => {
    const { setups, cameras, plans, subjects } = demoRecords();
    const profiles = ARCHETYPE_PROFILES;
    const ids = (rows: readonly { id: string }[]) => new Set(rows.map(({ id }) => id));
    for (const setup of setups) {
      setup.cameraIds.forEach((id) => expect(ids(cameras)).toContain(id));
      setup.subjectIds.forEach((id) => expect(ids(subjects)).toContain(id));
      setup.cameraIds.forEach((id) => expect(ids(plans)).toContain(`${setup.id}:${id}`));
    }
    for (const camera of cameras) camera.profileIds.forEach((id) => expect(ids(profiles)).toContain(id));
    for (const plan of plans) {
      const camera = cameras.find(({ id }) => id === plan.cameraId);
      expect(camera?.profileIds).toContain(plan.profileId);
      expect(camera?.isos).toContain(plan.iso);
      expect([...(camera?.irises ?? []), camera?.fixedIris]).toContain(plan.iris);
    }
  });

  it('fills a new database once, and leaves an old one as it is', async () => {
    const first = fresh();
    expect(await first.rows('setups').count()).toBe(7);
    await first.rows('setups').delete('dunes');
    first.close();
    expect(await again(first).rows('setups').count()).toBe(6);
  });
});

describe('schema versions', () => {
  it('are numbered without a gap, each with its frozen fixture', () => {
    MIGRATIONS.forEach(({ version }, i) => {
      expect(version).toBe(i + 1);
      expect(JSON.parse(readFileSync(`src/store/fixtures/schema-v${version}.json`, 'utf8')).version).toBe(
        version,
      );
    });
  });

  it.each(MIGRATIONS.map(({ version }) => version))(
    'version %i: records written then open now',
    async (version) => {
      const fixture = JSON.parse(readFileSync(`src/store/fixtures/schema-v${version}.json`, 'utf8'));
      const old = new Dexie(`migrate-${version}`);
      old.version(fixture.version).stores(fixture.stores);
      for (const [table, rows] of Object.entries<Record<string, unknown>[]>(fixture.rows)) {
        const revived = rows.map((row) =>
          Array.isArray(row.png) ? { ...row, png: new Uint8Array(row.png as number[]) } : row,
        );
        await old.table(table).bulkAdd(revived);
      }
      old.close();
      const now = again(old);
      for (const name of TABLE_NAMES) {
        const rows = await now.table(name).toArray();
        const stored = (fixture.rows[name] ?? []).filter(
          ({ origin }: { origin?: string }) => origin !== 'archetype',
        );
        expect(rows.length).toBe(stored.length);
        for (const row of rows) TABLES[name].parse(row);
      }
      // What ships with the app is there as it is now, whatever an old database held.
      const { profiles } = (await bookOf(now)).getState();
      for (const profile of ARCHETYPE_PROFILES) expect(profiles.get(profile.id)).toEqual(profile);
      expect((await takesOfShoot(now, 'salt-and-fire')).takes.map(({ notes }) => notes)).toEqual([
        'door opened late, "keep"',
      ]);
    },
  );
});

describe('selection', () => {
  const url = (shoot: string | null = null, setup: string | null = null, camera: string | null = null) => ({
    shoot,
    setup,
    camera,
  });

  it('is the first of each where the URL is silent', async () => {
    const book = await bookOf(fresh());
    const selection = resolveSelection(book.getState(), url())!;
    expect([selection.setup.id, selection.camera.id, selection.profile.id]).toEqual([
      'furnace-mouth',
      'a-cam',
      'wideLog',
    ]);
    expect(selection.problems).toEqual([]);
  });

  it('follows the URL, and says in one sentence what it does not name', async () => {
    const book = await bookOf(fresh());
    const state = book.getState();
    expect(resolveSelection(state, url('salt-and-fire', 'slipway', 'small-cam'))?.camera.name).toBe(
      'Small cam',
    );
    const broken = resolveSelection(state, url('salt-and-fire', 'nowhere', 'a-cam'))!;
    expect(broken.setup.id).toBe('furnace-mouth');
    expect(broken.problems).toEqual(['The address names no set-up “nowhere”; showing Furnace mouth.']);
    expect(resolveSelection(state, url('x'.repeat(500)))!.problems[0].length).toBeLessThan(120);
    expect(resolveSelection({ ...state, shoots: new Map() }, url())).toBeUndefined();
  });

  it('starts a plan at the camera’s base and 180 degrees', async () => {
    const { setups, cameras } = (await bookOf(fresh())).getState();
    const plan = defaultPlan(setups.get('furnace-mouth')!, cameras.get('a-cam')!);
    expect(plan).toMatchObject({ iso: 800, shutter: { kind: 'angle', degrees: 180 }, placement: 0 });
    const small = defaultPlan(setups.get('slipway')!, cameras.get('small-cam')!);
    expect(small).toMatchObject({ iris: 2.8, shutter: { kind: 'time', denominator: 50 } });
    TABLES.plans.parse(plan);
  });

  it('a new shoot and a new set-up can be chosen at once', async () => {
    const book = await bookOf(fresh());
    expect(
      await book.edit(
        newShoot(
          book.getState(),
          { name: 'Winter', place: '', day: '2026-12-01', cameras: [...book.getState().cameras.values()] },
          { shoot: 'w', setup: 'w1' },
        ),
      ),
    ).toBe(true);
    expect(
      await book.edit(
        newSetup(
          book.getState(),
          book.getState().setups.get('w1')!,
          book.getState().cameras.get('b-cam')!,
          'Second',
          'w2',
        ),
      ),
    ).toBe(true);
    expect(setupsOf(book.getState(), 'w').map(({ name }) => name)).toEqual(['First set-up', 'Second']);
    expect(resolveSelection(book.getState(), url('w', 'w2'))?.problems).toEqual([]);
  });
});

describe('takes', () => {
  it('are numbered for each set-up and camera, newest first', async () => {
    const database = fresh();
    // Two takes of this set-up and camera come with the demo.
    expect(await nextTakeNumber(database, sampleTake.setupId, sampleTake.cameraId)).toBe(3);
    await database.rows('takes').clear();
    expect(await nextTakeNumber(database, sampleTake.setupId, sampleTake.cameraId)).toBe(1);
    const take = (id: string, number: number, cameraId: string, minute: number) => ({
      ...sampleTake,
      id,
      number,
      cameraId,
      loggedAt: `2026-02-03T10:${minute}:00.000Z`,
    });
    await database
      .rows('takes')
      .bulkAdd([take('a', 1, 'a-cam', 10), take('b', 7, 'a-cam', 20), take('c', 1, 'b-cam', 15)]);
    expect(await nextTakeNumber(database, sampleTake.setupId, 'a-cam')).toBe(8);
    expect(await nextTakeNumber(database, sampleTake.setupId, 'b-cam')).toBe(2);
    expect((await takesOfShoot(database, sampleTake.shootId)).takes.map(({ id }) => id)).toEqual([
      'b',
      'c',
      'a',
    ]);
  });
});
