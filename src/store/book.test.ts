import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import { MOST_STEPS } from './book.ts';
import {
  changePlan as change,
  openBooks,
  PLAN_ID as ID,
  planOf,
  until,
  full,
  noRoom,
  room,
} from './fixtures/openBooks.ts';
import { sampleTake } from './fixtures/sampleTake.ts';

const { fresh, bookOf, closeAll } = openBooks('book');
afterEach(closeAll);

describe('the book', () => {
  it('shows an edit at once, before it is written', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const writing = change(book, { placement: 2 });
    expect(planOf(book).placement).toBe(2);
    expect(await writing).toBe(true);
    expect((await database.rows('plans').get(ID))?.placement).toBe(2);
  });

  it('tells how many writes wait, also after one that was refused', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const writing = [change(book, { placement: 2 }), change(book, { placement: 3 })];
    expect(book.getState().unsaved).toBe(2);
    expect(await Promise.all(writing)).toEqual([true, true]);
    expect(book.getState().unsaved).toBe(0);
    full(database);
    const refused = change(book, { placement: 1 });
    expect(book.getState().unsaved).toBe(1);
    expect(await refused).toBe(false);
    expect(book.getState().unsaved).toBe(0);
  });

  it('undoes and redoes step by step', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await change(book, { placement: 2 });
    await change(book, { placement: 3 });
    expect(book.getState().undoable).toBe('{"placement":3}');
    expect(await book.undo()).toBe('{"placement":3}');
    expect(planOf(book).placement).toBe(2);
    await book.undo();
    expect((await database.rows('plans').get(ID))?.placement).toBe(1);
    expect(book.getState()).toMatchObject({ undoable: undefined, redoable: '{"placement":2}' });
    await book.redo();
    expect((await database.rows('plans').get(ID))?.placement).toBe(2);
    await change(book, { placement: 0 });
    expect(book.getState().redoable).toBeUndefined();
    expect(await (await bookOf(fresh())).undo()).toBeUndefined();
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
    expect(await read()).toMatchObject({ ...sampleTake, number: expect.any(Number) });
    expect(await book.patch('Notes', 'takes', 'gone', { notes: '' })).toBe(false);
    expect(book.getState().problem).toBe(
      '“Notes” was not saved: the take is no longer there. What was there stays.',
    );
    expect(await book.patch('Number', 'takes', sampleTake.id, { number: -1 })).toBe(false);
    expect(book.getState().problem).toBe(
      '“Number” was not saved: number must be over 0, not −1. What was there stays.',
    );
    expect(await read()).toMatchObject({ notes: sampleTake.notes });
  });

  it('sees what another window writes', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const shoot = (await database.rows('shoots').get('salt-and-fire'))!;
    await database.rows('shoots').put({ ...shoot, name: 'Salt and Snow' });
    await until(() => book.getState().shoots.get(shoot.id)?.name === 'Salt and Snow');
  });

  it('leaves a record it cannot read where it is, says so, and does not write over it', async () => {
    const database = fresh();
    await database.table('cameras').put({ id: 'broken', name: 42 });
    await database.table('plans').put({ id: ID, iso: 'many' });
    const book = await bookOf(database);
    expect(book.getState().setAside).toMatchObject([
      {
        table: 'cameras',
        id: 'broken',
        name: 'broken',
        reason: expect.stringContaining('name must be a text'),
      },
      { table: 'plans', id: ID, name: ID },
    ]);
    expect(book.getState().cameras.size).toBe(6);
    expect(await database.table('cameras').get('broken')).toBeDefined();
    const other = book.getState().plans.get('furnace-mouth:b-cam')!;
    const before = { ...other, id: ID, cameraId: 'a-cam' };
    const after = { ...before, placement: 2 };
    const written = await book.edit({
      label: 'Placement +2',
      changes: [{ table: 'plans', id: ID, before, after, isDefault: true }],
    });
    expect(written).toBe(false);
    expect(book.getState().problem).toBe(
      '“Placement +2” was not saved: the stored plan cannot be read. What was there stays.',
    );
    expect(await database.table('plans').get(ID)).toEqual({ id: ID, iso: 'many' });
  });
});

describe('undo', () => {
  it('holds a bounded number of steps', async () => {
    const book = await bookOf(fresh());
    for (let i = 0; i < MOST_STEPS + 20; i += 1) await change(book, { iso: 1000 + i });
    let steps = 0;
    while ((await book.undo()) !== undefined) steps += 1;
    expect(steps).toBe(MOST_STEPS);
    expect(planOf(book).iso).toBe(1019);
  });

  it('takes an edit that touches one record twice back in the order it was made', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const first = planOf(book);
    const [second, third] = [
      { ...first, iso: 1600 },
      { ...first, iso: 3200 },
    ];
    const change2 = (before: typeof first, after: typeof first) => ({
      table: 'plans' as const,
      id: ID,
      before,
      after,
    });
    await book.edit({ label: 'Twice', changes: [change2(first, second), change2(second, third)] });
    expect((await database.rows('plans').get(ID))?.iso).toBe(3200);
    expect(await book.undo()).toBe('Twice');
    expect((await database.rows('plans').get(ID))?.iso).toBe(800);
    expect(book.getState().problem).toBeUndefined();
    await book.redo();
    expect((await database.rows('plans').get(ID))?.iso).toBe(3200);
  });

  it('pressed at once after an edit, it takes that edit back, in memory and in the database', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const edited = change(book, { placement: 2 });
    const undone = book.undo();
    expect(planOf(book).placement).toBe(1);
    expect(book.getState().undoable).toBeUndefined();
    expect(await Promise.all([edited, undone])).toEqual([true, '{"placement":2}']);
    expect((await database.rows('plans').get(ID))?.placement).toBe(1);
    const redone = book.redo();
    expect(planOf(book).placement).toBe(2);
    expect(await redone).toBe('{"placement":2}');
    expect((await database.rows('plans').get(ID))?.placement).toBe(2);
  });

  it('pressed twice at once, it takes back two steps', async () => {
    const book = await bookOf(fresh());
    await change(book, { placement: 2 });
    await change(book, { iso: 1600 });
    expect(await Promise.all([book.undo(), book.undo(), book.undo()])).toEqual([
      '{"iso":1600}',
      '{"placement":2}',
      undefined,
    ]);
    expect(planOf(book)).toMatchObject({ iso: 800, placement: 1 });
  });

  it('that fails with redo pressed right behind it changes nothing', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await change(book, { placement: 2 });
    let left = 1;
    const once = () => {
      left -= 1;
      if (left === 0) noRoom();
    };
    database.rows('plans').hook('updating', once);
    expect(await Promise.all([book.undo(), book.redo()])).toEqual([undefined, undefined]);
    database.rows('plans').hook('updating').unsubscribe(once);
    expect((await database.rows('plans').get(ID))?.placement).toBe(2);
    expect(planOf(book).placement).toBe(2);
    expect(book.getState()).toMatchObject({ undoable: '{"placement":2}', redoable: undefined });
    expect(await book.undo()).toBe('{"placement":2}');
  });

  it('keeps its step when the database refuses', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await change(book, { placement: 2 });
    full(database);
    expect(await book.undo()).toBeUndefined();
    expect(book.getState()).toMatchObject({
      undoable: '{"placement":2}',
      problem:
        '“{"placement":2}” was not undone: this browser gives no more space; free some on the disk, ' +
        'then do it again. What was there stays.',
    });
    expect(planOf(book).placement).toBe(2);
    room(database);
    expect(await book.undo()).toBe('{"placement":2}');
    expect(planOf(book).placement).toBe(1);
  });
});
