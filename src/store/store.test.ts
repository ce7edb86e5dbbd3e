import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { openBook, type Book } from './book.ts';
import { Database } from './database.ts';
import { demoRecords } from './demo.ts';
import { reversed, writeEdit, type Edit } from './edits.ts';
import { MIGRATIONS } from './migrations.ts';
import { newSetup, newShoot } from './newShoot.ts';
import type { PlanRecord } from './records/plan.ts';
import { defaultPlan, resolveSelection, setupsOf } from './selection.ts';
import { TABLE_NAMES, TABLES } from './tables.ts';
import { nextTakeNumber, takesOfShoot } from './takes.ts';
import { sampleTake } from './fixtures/sampleTake.ts';

let count = 0;
const opened: { close: () => void }[] = [];
const fresh = (demo = true) => {
  count += 1;
  const database = new Database(`test-${count}`, { demo });
  opened.push(database);
  return database;
};
const ready = async (book: Book) => {
  for (let i = 0; i < 200 && book.getState().status === 'loading'; i += 1)
    await new Promise((r) => setTimeout(r, 5));
  expect(book.getState().status).toBe('ready');
  return book;
};
const bookOf = async (database: Database) => {
  const book = openBook(database);
  opened.push(book);
  return ready(book);
};
afterEach(() => opened.splice(0).forEach((thing) => thing.close()));

const planEdit = (book: Book, placement: number): Edit => {
  const before = book.getState().plans.get('furnace-mouth:a-cam') as PlanRecord;
  return {
    label: `Placement ${placement}`,
    changes: [{ table: 'plans', id: before.id, before, after: { ...before, placement } }],
  };
};

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
    const { setups, cameras, plans, profiles, subjects } = demoRecords();
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
    const again = new Database(`test-${count}`);
    opened.push(again);
    expect(await again.rows('setups').count()).toBe(6);
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
      const now = new Database(`migrate-${version}`);
      opened.push(now);
      for (const name of TABLE_NAMES) {
        const rows = await now.table(name).toArray();
        expect(rows.length).toBe((fixture.rows[name] ?? []).length);
        for (const row of rows) TABLES[name].parse(row);
      }
      expect((await takesOfShoot(now, 'salt-and-fire')).map(({ notes }) => notes)).toEqual([
        'door opened late, "keep"',
      ]);
    },
  );
});

describe('edits', () => {
  it('are written whole or not at all', async () => {
    const database = fresh();
    const shoot = (await database.rows('shoots').get('salt-and-fire'))!;
    const bad: Edit = {
      label: 'two tables',
      changes: [
        { table: 'shoots', id: shoot.id, before: shoot, after: { ...shoot, name: 'Changed' } },
        { table: 'subjects', id: 'x', after: { id: 'x', shootId: shoot.id, name: '', skinOffset: 1 } },
      ],
    };
    await expect(writeEdit(database, bad)).rejects.toThrow();
    expect((await database.rows('shoots').get(shoot.id))?.name).toBe('Salt and Fire');
  });

  it('turn round to their own undoing', () => {
    const edit: Edit = { label: 'x', changes: [{ table: 'takes', id: 't', after: sampleTake }] };
    expect(reversed(edit).changes[0]).toEqual({
      table: 'takes',
      id: 't',
      before: sampleTake,
      after: undefined,
    });
    expect(reversed(reversed(edit))).toEqual(edit);
  });
});

describe('the book', () => {
  it('shows an edit at once, before it is written', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const writing = book.edit(planEdit(book, 2));
    expect(book.getState().plans.get('furnace-mouth:a-cam')?.placement).toBe(2);
    expect(await writing).toBe(true);
    expect((await database.rows('plans').get('furnace-mouth:a-cam'))?.placement).toBe(2);
  });

  it('undoes and redoes step by step', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await book.edit(planEdit(book, 2));
    await book.edit(planEdit(book, 3));
    expect(book.getState().undoable).toBe('Placement 3');
    expect(await book.undo()).toBe('Placement 3');
    expect(book.getState().plans.get('furnace-mouth:a-cam')?.placement).toBe(2);
    await book.undo();
    expect((await database.rows('plans').get('furnace-mouth:a-cam'))?.placement).toBe(1);
    expect(book.getState()).toMatchObject({ undoable: undefined, redoable: 'Placement 2' });
    await book.redo();
    expect((await database.rows('plans').get('furnace-mouth:a-cam'))?.placement).toBe(2);
    await book.edit(planEdit(book, 0));
    expect(book.getState().redoable).toBeUndefined();
    expect(await (await bookOf(fresh())).undo()).toBeUndefined();
  });

  it('takes a refused edit back and says why in a sentence', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const plan = planEdit(book, 99);
    expect(await book.edit(plan)).toBe(false);
    expect(book.getState().plans.get('furnace-mouth:a-cam')?.placement).toBe(1);
    expect(book.getState().problem).toMatch(/“Placement 99” was not saved.*What was there stays\./);
    expect(book.getState().undoable).toBeUndefined();
  });

  it('keeps both of two changes made to a take in the same moment, and undoes them one by one', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await book.edit({ label: 'Log', changes: [{ table: 'takes', id: sampleTake.id, after: sampleTake }] });
    const kept = await Promise.all([
      book.patch('Notes', 'takes', sampleTake.id, { notes: 'window key' }),
      book.patch('Circle', 'takes', sampleTake.id, { circled: false }),
    ]);
    expect(kept).toEqual([true, true]);
    const read = () => database.rows('takes').get(sampleTake.id);
    expect(await read()).toMatchObject({ notes: 'window key', circled: false });
    await book.undo();
    expect(await read()).toMatchObject({ notes: 'window key', circled: true });
    await book.undo();
    expect(await read()).toEqual(sampleTake);
    expect(await book.patch('Notes', 'takes', 'gone', { notes: '' })).toBe(false);
    expect(await book.patch('Notes', 'takes', sampleTake.id, { number: -1 })).toBe(false);
    expect(book.getState().problem).toMatch(/“Notes” was not saved/);
    expect(await read()).toEqual(sampleTake);
  });

  it('sees what another window writes', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const shoot = (await database.rows('shoots').get('salt-and-fire'))!;
    await database.rows('shoots').put({ ...shoot, name: 'Salt and Snow' });
    for (let i = 0; i < 100 && book.getState().shoots.get(shoot.id)?.name !== 'Salt and Snow'; i += 1) {
      await new Promise((r) => setTimeout(r, 5));
    }
    expect(book.getState().shoots.get(shoot.id)?.name).toBe('Salt and Snow');
  });

  it('leaves a record it cannot read where it is, and says so', async () => {
    const database = fresh();
    await database.table('cameras').put({ id: 'broken', name: 42 });
    const book = await bookOf(database);
    expect(book.getState().problem).toMatch(/1 stored record/);
    expect(book.getState().cameras.size).toBe(6);
    expect(await database.table('cameras').get('broken')).toBeDefined();
  });
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
    expect(await book.edit(newShoot(book.getState(), 'Winter', { shoot: 'w', setup: 'w1' }))).toBe(true);
    expect(
      await book.edit(newSetup(book.getState(), book.getState().setups.get('w1')!, 'Second', 'w2')),
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
    expect((await takesOfShoot(database, sampleTake.shootId)).map(({ id }) => id)).toEqual(['b', 'c', 'a']);
  });
});
