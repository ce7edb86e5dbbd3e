import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { openBook } from './book.ts';
import { changePlan, openBooks, PLAN_ID, planOf, until } from './fixtures/openBooks.ts';
import { Database } from './database.ts';
import { demoRecords } from './demo/index.ts';
import { openingWords } from './words.ts';

const { fresh, bookOf, closeAll } = openBooks('opening');
afterEach(() => {
  vi.useRealTimers();
  closeAll();
});

/** A database that a later version has opened: higher number, one more table, one more field. */
const madeNewer = async (name: string): Promise<void> => {
  const today = new Database(name);
  await today.open();
  const stores = Object.fromEntries(
    today.tables.map((table) => [
      table.name,
      [table.schema.primKey.src, ...table.schema.indexes.map(({ src }) => src)].join(','),
    ]),
  );
  today.close();
  const later = new Dexie(name);
  later.version(77).stores({ ...stores, boards: 'id' });
  await later.open();
  await later.table('boards').put({ id: 'one' });
  later.close();
};

describe('records of a newer version', () => {
  it('are read, and nothing is written to them', async () => {
    await madeNewer('newer-1');
    const database = new Database('newer-1');
    const book = await bookOf(database);
    expect(book.getState()).toMatchObject({ status: 'ready', isReadOnly: true });
    expect(planOf(book).placement).toBe(1);
    expect(await changePlan(book, { placement: 2 })).toBe(false);
    expect(book.getState().problem).toMatch(
      /a newer Candelum wrote these records, and this one only reads them/,
    );
    expect((await database.rows('plans').get(PLAN_ID))?.placement).toBe(1);
    expect(database.backendDB().version).toBe(770);
    await book.close();
    database.close();
  });
});

describe('a new database', () => {
  const shownWhileFilling = async (database: Database) => {
    const book = openBook(database);
    await until(() => book.getState().isFilling === true);
    return book;
  };

  it('is shown while it is still being stored, and what is changed meanwhile is kept', async () => {
    const database = fresh();
    const book = await shownWhileFilling(database);
    expect(planOf(book).placement).toBe(1);
    const { plans, cameras, profiles, setups } = book.getState();
    const changed = changePlan(book, { placement: 2 });
    expect(planOf(book).placement).toBe(2);
    expect(book.getState().isFilling).toBe(true);
    expect(await changed).toBe(true);
    expect(book.getState()).toMatchObject({ status: 'ready', isFilling: false, unsaved: 0 });
    expect((await database.rows('plans').get(PLAN_ID))?.placement).toBe(2);
    // What was shown is what was stored: nothing is drawn anew for it.
    for (const [id, plan] of plans) if (id !== PLAN_ID) expect(book.getState().plans.get(id)).toBe(plan);
    expect(book.getState().cameras).toBe(cameras);
    expect(book.getState().profiles).toBe(profiles);
    expect(book.getState().setups).toBe(setups);
    await book.close();
  });

  it('that cannot be stored after all is not shown on as if it were', async () => {
    const database = fresh();
    vi.spyOn(database, 'openOrRead').mockImplementationOnce(async () => {
      database.onFilling?.(demoRecords());
      await new Promise((resolve) => setTimeout(resolve, 20));
      throw new DOMException('no room', 'QuotaExceededError');
    });
    const book = await shownWhileFilling(database);
    await until(() => book.getState().status === 'failed');
    expect(book.getState()).toMatchObject({
      isFilling: false,
      problem: expect.stringMatching(/disk is full/),
    });
    expect(book.getState().plans.size).toBe(0);
    await book.close();
  });
});

describe('a database that is foreseen to be new', () => {
  let names = 0;
  const foreseen = (name = `foreseen-${(names += 1)}`) => new Database(name, { isForeseen: true });
  const finished = async (book: ReturnType<typeof openBook>, database: Database) => {
    await book.close();
    database.close();
  };

  it('is shown before it is there', async () => {
    const database = foreseen();
    let open = () => {};
    const held = new Promise<void>((resolve) => (open = resolve));
    const really = database.open.bind(database);
    vi.spyOn(database, 'open').mockImplementation(() => Dexie.Promise.resolve(held).then(() => really()));
    const book = openBook(database);
    await until(() => book.getState().isFilling === true);
    expect(database.isOpen()).toBe(false);
    expect(planOf(book).placement).toBe(1);
    const changed = changePlan(book, { placement: 2 });
    open();
    expect(await changed).toBe(true);
    expect(book.getState()).toMatchObject({ status: 'ready', isFilling: false, unsaved: 0 });
    expect((await database.rows('plans').get(PLAN_ID))?.placement).toBe(2);
    await finished(book, database);
  });

  it('and is not: what it holds stands in the place of what was foreseen', async () => {
    const before = new Database('foreseen-wrongly');
    await before.open();
    await before.rows('plans').update(PLAN_ID, { placement: 3 });
    before.close();
    const database = foreseen('foreseen-wrongly');
    const book = openBook(database);
    await until(() => book.getState().status === 'ready' && !book.getState().isFilling);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(planOf(book).placement).toBe(3);
    expect(book.getState().isFilling).toBe(false);
    await finished(book, database);
  });

  it('and does not open: that is said, and nothing foreseen comes over it', async () => {
    const database = foreseen();
    vi.spyOn(database, 'open').mockImplementation(() =>
      Dexie.Promise.reject(new DOMException('no room', 'QuotaExceededError')),
    );
    const book = openBook(database);
    await until(() => book.getState().status === 'failed');
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(book.getState()).toMatchObject({ status: 'failed', isFilling: false });
    expect(book.getState().plans.size).toBe(0);
    await finished(book, database);
  });

  it('and is held by another window: that is told after a while', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const database = foreseen();
    vi.spyOn(database, 'open').mockImplementation(() => new Dexie.Promise(() => undefined));
    const book = openBook(database);
    await vi.waitFor(() => expect(book.getState().isFilling).toBe(true));
    vi.advanceTimersByTime(2600);
    expect(book.getState()).toMatchObject({ status: 'failed', isFilling: false });
  });
});

describe('records that do not open', () => {
  it('are told to be held after a while, and shown when they open after all', async () => {
    const database = fresh();
    let open = () => {};
    const held = new Promise<void>((resolve) => (open = resolve));
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    vi.spyOn(database, 'openOrRead').mockImplementationOnce(async () => {
      await held;
      await database.open();
    });
    const book = openBook(database);
    vi.advanceTimersByTime(3000);
    expect(book.getState()).toMatchObject({
      status: 'failed',
      problem: expect.stringMatching(/Another window may hold them/),
    });
    vi.useRealTimers();
    open();
    await until(() => book.getState().status === 'ready');
    expect(book.getState().problem).toBeUndefined();
    await book.close();
  });

  it.each([
    ['missing', new Dexie.MissingAPIError(), /keeps no records here/],
    ['denied', new DOMException('no', 'SecurityError'), /set to keep nothing/],
    ['full', new DOMException('no', 'QuotaExceededError'), /disk is full/],
    ['spoilt', new DOMException('no', 'UnknownError'), /restore a backup/],
    ['of another cause', new Error('Whatever.'), /cannot be opened: Whatever\. Nothing was changed/],
  ])('say why: %s', async (_, error, says) => {
    const database = fresh();
    vi.spyOn(database, 'openOrRead').mockRejectedValueOnce(error);
    const book = openBook(database);
    await until(() => book.getState().status === 'failed');
    expect(book.getState().problem).toMatch(says);
    await book.close();
  });

  it('say why also where the cause stands inside', () => {
    const outer = Object.assign(new Error('open failed'), {
      name: 'OpenFailedError',
      inner: new DOMException('no', 'SecurityError'),
    });
    expect(openingWords(outer)).toMatch(/set to keep nothing/);
  });
});
