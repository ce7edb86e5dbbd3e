import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import { changePlan as change, openBooks, PLAN_ID as ID, planOf, full, room } from './fixtures/openBooks.ts';

const { fresh, bookOf, closeAll } = openBooks('book');
afterEach(closeAll);

describe('a refused edit', () => {
  it('is taken back and worded as field, rule and value', async () => {
    const book = await bookOf(fresh());
    expect(await change(book, { placement: 99 })).toBe(false);
    expect(planOf(book).placement).toBe(1);
    expect(book.getState().problem).toBe(
      '“{"placement":99}” was not saved: placement must be at most 20, not 99. What was there stays.',
    );
    expect(book.getState().undoable).toBeUndefined();
    await change(book, { placement: 2 });
    expect(book.getState().problem).toBeUndefined();
  });

  it('is not what memory ends at when another one follows at once', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const [first, second] = [change(book, { iso: -5 }), change(book, { placement: 2 })];
    expect(await Promise.all([first, second])).toEqual([false, true]);
    expect(planOf(book)).toMatchObject({ iso: 800, placement: 2 });
    full(database);
    const fifth = change(book, { iso: 1600 });
    const sixth = change(book, { iso: 3200, placement: 1 });
    expect(await fifth).toBe(false);
    room(database);
    await sixth;
    expect(await database.rows('plans').get(ID)).toEqual(planOf(book));
    expect(await database.rows('plans').get(ID)).toEqual(planOf(book));
    const [third, fourth] = [change(book, { placement: 3 }), change(book, { placement: 77 })];
    expect(await Promise.all([third, fourth])).toEqual([true, false]);
    expect(planOf(book).placement).toBe(3);
    expect(await database.rows('plans').get(ID)).toEqual(planOf(book));
  });

  it('leaves redo as it was', async () => {
    const book = await bookOf(fresh());
    await change(book, { placement: 2 });
    await book.undo();
    expect(await change(book, { placement: 99 })).toBe(false);
    expect(book.getState().redoable).toBe('{"placement":2}');
    await book.redo();
    expect(planOf(book).placement).toBe(2);
  });

  it('refused by the disk, it leaves redo as it was', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await change(book, { placement: 2 });
    await book.undo();
    full(database);
    const refused = change(book, { iso: 3200 });
    // Until it is known that it is refused, there is nothing to redo.
    expect(book.getState().redoable).toBeUndefined();
    expect(await refused).toBe(false);
    expect(book.getState()).toMatchObject({ redoable: '{"placement":2}', undoable: undefined });
    room(database);
    expect(await book.redo()).toBe('{"placement":2}');
    expect(planOf(book)).toMatchObject({ iso: 800, placement: 2 });
  });

  it('of what ships with the app is named; a copy can be changed', async () => {
    const book = await bookOf(fresh());
    const before = book.getState().profiles.get('wideLog')!;
    const renamed = { ...before, name: 'my log' };
    const edit = (id: string, was?: typeof before) =>
      book.edit({
        label: 'Name',
        changes: [{ table: 'profiles', id, before: was, after: { ...renamed, id } }],
      });
    expect(await edit('wideLog', before)).toBe(false);
    expect(book.getState().problem).toBe(
      '“Name” was not saved: it ships with the app and stays as it is; make a copy of it. What was there stays.',
    );
    expect(book.getState().profiles.get('wideLog')).toBe(before);
    expect(await edit('copy')).toBe(true);
    expect(book.getState().profiles.get('copy')?.name).toBe('my log');
  });

  it('drops no good step when undo is pressed meanwhile', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await change(book, { placement: 2 });
    await change(book, { iso: 1600 });
    full(database);
    const refused = change(book, { iso: 3200 });
    const undone = book.undo();
    expect(await refused).toBe(false);
    // What was meant was the refused one, and that is gone by itself.
    expect(await undone).toBeUndefined();
    expect(planOf(book)).toMatchObject({ iso: 1600, placement: 2 });
    expect(await database.rows('plans').get(ID)).toEqual(planOf(book));
    room(database);
    expect(await book.undo()).toBe('{"iso":1600}');
    expect(await book.undo()).toBe('{"placement":2}');
    expect(planOf(book)).toMatchObject({ iso: 800, placement: 1 });
  });
});
