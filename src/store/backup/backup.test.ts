import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { afterEach, describe, expect, it } from 'vitest';
import { packed, unpacked } from '#workers/archive/handlers.ts';
import type { Book } from '../book.ts';
import { LATEST, type Database } from '../database.ts';
import { allRecordsJson } from '../exports/allRecordsJson.ts';
import { takesJson } from '../exports/takesJson.ts';
import { openBooks } from '../fixtures/openBooks.ts';
import { sampleTake } from '../fixtures/sampleTake.ts';
import { TABLE_NAMES } from '../tables.ts';
import { backupOf, type Rows } from './backup.ts';
import { readBackup, type Backup } from './readBackup.ts';
import { compareBackup, restoreEdit, type RestoreMode } from './restore.ts';

const { fresh, bookOf, closeAll } = openBooks('backup');
afterEach(closeAll);
const now = new Date('2026-04-01T10:00:00Z');
const TEXT = 'LUT_1D_SIZE 2\n0 0 0\n1 1 1\n';

const opened = async (bytes: Uint8Array): Promise<Backup> => {
  const archive = unpacked(bytes);
  if (!archive.ok) throw new Error(archive.reason);
  const backup = await readBackup(archive.value);
  if (!backup.ok) throw new Error(backup.reason);
  return backup.value;
};
const textBytes = (text: string) => strToU8(text);
const stored = async (database: Database) => {
  const all: Record<string, unknown> = {};
  for (const table of TABLE_NAMES) {
    const rows: { id: string }[] = await database.table(table).toArray();
    all[table] = rows.toSorted((a, b) => (a.id < b.id ? -1 : 1));
  }
  return all;
};
const restored = async (database: Database, book: Book, backup: Backup, mode: RestoreMode) =>
  book.edit(restoreEdit(backup.what, await compareBackup(database, backup), mode));

/** The demo with a take and its picture, and a LUT of a file. */
const filled = async () => {
  const database = fresh();
  const book = await bookOf(database);
  const lut = { ...book.getState().luts.get('lantern-guard')!, id: 'own-lut', name: 'Own LUT' };
  const { isDemo: _, recipe: __, ...file } = lut;
  await database.rows('luts').put(file);
  await database.rows('lutTexts').put({ id: 'own-lut', text: TEXT });
  await database
    .rows('takes')
    .put({ ...sampleTake, id: 'with picture: 1'.replaceAll(/[ ]/g, '-'), number: 50 });
  await database.rows('thumbnails').put({ id: 'with-picture:-1', png: new Uint8Array([137, 80, 78, 71]) });
  return { database, book };
};
const backedUp = async ({ database, book }: { database: Database; book: Book }, shootId?: string) =>
  packed(await backupOf(database, book.getState(), { now, shootId }));

describe('everything', () => {
  it('comes back whole in another browser, word for word, and undo takes it back', async () => {
    const mine = await filled();
    const bytes = await backedUp(mine);
    // PKWARE APPNOTE 6.3.9, 4.3.7 and 4.3.16: local header first, one end record of 22 bytes last.
    expect([...bytes.subarray(0, 4)]).toEqual([0x50, 0x4b, 3, 4]);
    expect([...bytes.subarray(-22, -18)]).toEqual([0x50, 0x4b, 5, 6]);
    const backup = await opened(bytes);
    expect(backup).toMatchObject({
      what: 'Back-up',
      isPart: false,
      unread: [],
      exportedAt: now.toISOString(),
    });
    const database = fresh(false);
    const book = await bookOf(database);
    expect(await restored(database, book, backup, 'mine')).toBe(true);
    expect(await stored(database)).toEqual(await stored(mine.database));
    expect(book.getState().setups.size).toBe(7);
    await book.undo();
    expect((await stored(database)).takes).toEqual([]);
    expect(book.getState().setups.size).toBe(0);
  });

  it('the dry run says what comes, what differs and what the file does not hold', async () => {
    const { database, book } = await filled();
    const backup = await opened(await backedUp({ database, book }));
    await database.rows('setups').update('dunes', { name: 'Dunes, later' });
    await database.rows('subjects').delete('ola');
    await database.rows('lights').add({ id: 'new', name: 'New', kelvin: 4300, tint: 0 });
    const before = await stored(database);
    const comparison = await compareBackup(database, backup);
    const row = (name: string) => comparison.find(({ table }) => table === name)!;
    expect(row('setups').differing.map(({ theirs }) => theirs.id)).toEqual(['dunes']);
    expect(row('subjects').fresh.map(({ id }) => id)).toEqual(['ola']);
    expect(row('lights').own.map(({ id }) => id)).toEqual(['new']);
    expect(row('takes')).toMatchObject({ fresh: [], differing: [], own: [] });
    // Nothing was written for it.
    expect(await stored(database)).toEqual(before);
  });

  it.each([
    ['mine', 'Dunes, later', true],
    ['theirs', 'Dunes at first light', true],
    ['replace', 'Dunes at first light', false],
  ] as const)('%s: what differs, and what the file does not hold', async (mode, name, keepsNew) => {
    const { database } = await filled();
    const backup = await opened(await backedUp({ database, book: await bookOf(database) }));
    await database.rows('setups').update('dunes', { name: 'Dunes, later' });
    await database.rows('lights').add({ id: 'new', name: 'New', kelvin: 4300, tint: 0 });
    const book = await bookOf(database);
    const before = await stored(database);
    await restored(database, book, backup, mode);
    expect(book.getState().setups.get('dunes')?.name).toBe(name);
    expect(book.getState().lights.has('new')).toBe(keepsNew);
    await book.undo();
    expect(await stored(database)).toEqual(before);
  });

  it('what JSON of ours is said to be read back, is read back', async () => {
    const mine = await filled();
    const records = await opened(textBytes(await allRecordsJson(mine.database, now)));
    expect(records.records.setups).toHaveLength(7);
    expect(records.records.lutTexts).toEqual([{ id: 'own-lut', text: TEXT }]);
    const shoot = mine.book.getState().shoots.get('salt-and-fire')!;
    const log = await opened(textBytes(takesJson(shoot, [sampleTake], now)));
    expect(log).toMatchObject({ what: 'Log of Salt and Fire', isPart: true });
    expect(log.records.takes).toEqual([sampleTake]);
  });

  it.each([1, 2, 3, 4, 5])('of schema %i goes through the steps a database goes', async (version) => {
    const fixture = JSON.parse(readFileSync(`src/store/fixtures/schema-v${version}.json`, 'utf8'));
    const { thumbnails: _, ...tables } = fixture.rows as Rows;
    const document = {
      format: 'candelum-backup',
      version: 1,
      schema: version,
      exportedAt: now.toISOString(),
      tables,
    };
    const backup = await opened(packed({ document, files: [] }));
    expect(backup.unread).toEqual([]);
    expect(backup.records.cameras?.find(({ id }) => id === 'a-cam')).toMatchObject({
      isDemo: true,
      shutterBy: 'angle',
    });
    expect(backup.records.takes).toHaveLength((fixture.rows.takes as unknown[]).length);
  });
});

describe('one shoot', () => {
  it('goes to a colleague with what it uses, and overwrites nothing there', async () => {
    const mine = await filled();
    const shoots = mine.book.getState();
    const harbour = { id: 'harbour', name: 'Harbour', place: '', order: 3 };
    const dunes = {
      ...shoots.setups.get('dunes')!,
      id: 'quay',
      shootId: 'harbour',
      cameraIds: ['a-cam'],
      lightIds: [],
      subjectIds: [],
    };
    await mine.book.edit({
      label: 'x',
      changes: [
        { table: 'shoots', id: 'harbour', after: harbour },
        { table: 'setups', id: 'quay', after: dunes },
      ],
    });
    const backup = await opened(await backedUp(mine, 'harbour'));
    expect(backup).toMatchObject({ what: 'Shoot Harbour', isPart: true });
    const { records } = backup;
    expect(records.shoots?.map(({ id }) => id)).toEqual(['harbour']);
    expect(records.setups?.map(({ id }) => id)).toEqual(['quay']);
    expect(records.cameras?.map(({ id }) => id)).toEqual(['a-cam']);
    expect(records.takes).toEqual([]);
    expect(records.lights).toEqual([]);

    const theirs = fresh();
    const book = await bookOf(theirs);
    await theirs.rows('cameras').update('a-cam', { name: 'A-cam, mine' });
    const read = await bookOf(theirs);
    await restored(theirs, read, backup, 'mine');
    expect(read.getState().cameras.get('a-cam')?.name).toBe('A-cam, mine');
    expect(read.getState().shoots.get('harbour')?.name).toBe('Harbour');
    await book.close();
  });
});

describe('what is no back-up', () => {
  it.each([
    ['text', () => textBytes('hello'), /neither a zip/],
    ['an empty file', () => new Uint8Array(), /neither a zip/],
    ['another zip', () => zipSync({ 'a.txt': textBytes('a') }), /holds no candelum.json/],
    [
      'a zip cut off',
      () => packed({ document: { a: 'x'.repeat(900) }, files: [] }).slice(0, 120),
      /damaged or not whole/,
    ],
    ['other JSON', () => textBytes('{"format":"gpx"}'), /holds “gpx”, no back-up/],
    ['JSON of nothing', () => textBytes('null'), /holds something else/],
    ['a prototype', () => textBytes('{"format":"constructor","version":1}'), /holds “constructor”/],
    ['a newer version', () => textBytes('{"format":"candelum-backup","version":2}'), /version 2/],
    [
      'a newer schema',
      () =>
        textBytes(
          `{"format":"candelum-backup","version":1,"schema":99,"exportedAt":"2026-01-01T00:00:00Z","tables":{}}`,
        ),
      /newer Candelum wrote this file/,
    ],
    ['no tables', () => textBytes('{"format":"candelum-backup","version":1}'), /not whole/],
  ])('%s is told in a sentence', async (_name, make, says) => {
    await expect(opened(make())).rejects.toThrow(says);
  });

  it('records in it that cannot be read are named, the rest is taken', async () => {
    const tables = {
      shoots: [{ id: 's', name: 'S', place: '', order: 1 }, { id: 't', name: 'T', order: 'last' }, null],
    };
    const document = {
      format: 'candelum-backup',
      version: 1,
      schema: LATEST,
      exportedAt: now.toISOString(),
      tables,
    };
    const backup = await opened(packed({ document, files: [] }));
    expect(backup.records.shoots).toHaveLength(1);
    expect(backup.unread.map(({ name }) => name)).toEqual(['T', 'without a name']);
  });
});
