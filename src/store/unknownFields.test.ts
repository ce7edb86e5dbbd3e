import { afterEach, describe, expect, it } from 'vitest';
import { changePlan, openBooks, PLAN_ID } from './fixtures/openBooks.ts';
import { withUnknown } from './unknownFields.ts';

const { fresh, bookOf, closeAll } = openBooks('unknown');
afterEach(closeAll);

describe('fields of a newer version', () => {
  it('are kept where the record is, wherever they stand', () => {
    const stored = {
      id: 'a',
      iso: 800,
      glow: 1,
      zebra: { low: 5, hue: 2 },
      spots: [
        { id: 's', k: 1 },
        { id: 't', k: 2 },
      ],
    };
    const known = { id: 'a', iso: 800, zebra: { low: 5 }, spots: [{ id: 's' }, { id: 't' }] };
    const next = { id: 'a', iso: 400, zebra: { low: 6 }, spots: [{ id: 't', name: 'wall' }] };
    expect(withUnknown(stored, known, next)).toEqual({
      id: 'a',
      iso: 400,
      glow: 1,
      zebra: { low: 6, hue: 2 },
      spots: [{ id: 't', k: 2, name: 'wall' }],
    });
    expect(withUnknown({ list: [[1], [2]] }, { list: [[1], [2]] }, { list: [[3]] })).toEqual({ list: [[3]] });
    expect(withUnknown({ a: 1 }, { a: 1 }, {})).toEqual({});
  });

  it('outlive an edit, undo, and being taken out and brought back', async () => {
    const database = fresh();
    const row = await database.rows('plans').get(PLAN_ID);
    await database.table('plans').put({ ...row, glow: { strength: 2 } });
    const read = () => database.table<unknown>('plans').get(PLAN_ID);
    const book = await bookOf(database);
    await changePlan(book, { placement: 2 });
    expect(await read()).toMatchObject({ placement: 2, glow: { strength: 2 } });
    await book.undo();
    expect(await read()).toEqual({ ...row, glow: { strength: 2 } });
    const before = book.getState().plans.get(PLAN_ID);
    await book.edit({ label: 'Out', changes: [{ table: 'plans', id: PLAN_ID, before }] });
    expect(await read()).toBeUndefined();
    await book.undo();
    expect(await read()).toEqual({ ...row, glow: { strength: 2 } });
    expect(book.getState().plans.get(PLAN_ID)).toEqual(row);
  });
});
