import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import type { Book } from './book.ts';
import { changePlan as change, openBooks, PLAN_ID as ID, planOf, until } from './fixtures/openBooks.ts';
import { sampleTake } from './fixtures/sampleTake.ts';
import type { PlanRecord } from './records/plan.ts';

const { fresh, again, bookOf, closeAll } = openBooks('windows');
afterEach(closeAll);

describe('two windows', () => {
  const two = async () => {
    const database = fresh();
    const [a, b] = [await bookOf(database), await bookOf(again(database))];
    return { database, a, b };
  };

  it('undo turns back only what its own window changed', async () => {
    const { database, a, b } = await two();
    await change(a, { placement: 2 });
    await until(() => planOf(b).placement === 2);
    await change(b, { iso: 1600 });
    await a.undo();
    expect(await database.rows('plans').get(ID)).toMatchObject({ placement: 1, iso: 1600 });
    expect(planOf(a)).toMatchObject({ placement: 1, iso: 1600 });
    await until(() => planOf(b).placement === 1);
    expect(planOf(b).iso).toBe(1600);
  });

  it('an edit made from an old view changes its own field alone', async () => {
    const { database, a, b } = await two();
    await Promise.all([change(a, { placement: 2 }), change(b, { iso: 1600 })]);
    expect(await database.rows('plans').get(ID)).toMatchObject({ placement: 2, iso: 1600 });
    await until(() => planOf(a).iso === 1600 && planOf(b).placement === 2);
  });

  it('undo names a field that somebody else has changed since, and leaves it', async () => {
    const { database, a, b } = await two();
    await change(a, { placement: 2, iso: 1600 });
    await until(() => planOf(b).iso === 1600);
    await change(b, { iso: 3200 });
    expect(await a.undo()).toBe('{"placement":2,"iso":1600}');
    expect(await database.rows('plans').get(ID)).toMatchObject({ placement: 1, iso: 3200 });
    expect(a.getState().problem).toBe(
      '“{"placement":2,"iso":1600}” is undone, but for ISO of the plan: it was changed since and stays.',
    );
    // Redone, it brings back what was taken back and no more.
    await a.redo();
    expect(await database.rows('plans').get(ID)).toMatchObject({ placement: 2, iso: 3200 });
  });

  it('a step of which nothing can be undone any more is named and left out', async () => {
    const { a, b } = await two();
    await change(a, { placement: 2 });
    await change(a, { iso: 1600 });
    await until(() => planOf(b).iso === 1600);
    await change(b, { iso: 3200 });
    expect(await a.undo()).toBeUndefined();
    expect(a.getState().problem).toBe(
      '“{"iso":1600}” is not undone: ISO of the plan was changed since and stays.',
    );
    expect(await a.undo()).toBe('{"placement":2}');
    expect(planOf(a)).toMatchObject({ placement: 1, iso: 3200 });
  });

  it('news of the other window that comes while this one writes is not lost', async () => {
    const { database, a } = await two();
    const gel = a.getState().gels.values().next().value!;
    const theirs = again(database);
    await theirs.open();
    for (let i = 0; i < 10; i += 1) {
      const id = `gel-${i}`;
      await Promise.all([theirs.rows('gels').put({ ...gel, id }), change(a, { iso: 1000 + i })]);
      await until(() => a.getState().gels.has(id) && planOf(a).iso === 1000 + i);
    }
  });

  it('parts of a set-up’s brief are fields of their own', async () => {
    const { database, a, b } = await two();
    const briefed = (book: Book, brief: object) => {
      const before = book.getState().setups.get('furnace-mouth')!;
      const after = { ...before, brief: { ...before.brief, ...brief } };
      return book.edit({ label: 'Brief', changes: [{ table: 'setups', id: before.id, before, after }] });
    };
    await Promise.all([briefed(a, { live: true }), briefed(b, { clips: 77 })]);
    expect((await database.rows('setups').get('furnace-mouth'))?.brief).toMatchObject({
      live: true,
      clips: 77,
    });
    await a.undo();
    expect((await database.rows('setups').get('furnace-mouth'))?.brief).toMatchObject({
      live: false,
      clips: 77,
    });
  });

  it('a plan that nobody had stored is made once, from both windows’ fields', async () => {
    const { database, a, b } = await two();
    await database.rows('plans').delete(ID);
    await until(() => !planOf(a) && !planOf(b));
    const before = { ...a.getState().plans.get('furnace-mouth:b-cam')!, id: ID, cameraId: 'a-cam' };
    const first = (book: Book, fields: Partial<PlanRecord>) =>
      book.edit({
        label: 'First',
        changes: [{ table: 'plans', id: ID, before, after: { ...before, ...fields }, isDefault: true }],
      });
    await Promise.all([first(a, { placement: 2 }), first(b, { iso: 3200 })]);
    expect(await database.rows('plans').get(ID)).toMatchObject({ placement: 2, iso: 3200 });
    // Undone by the window that made it, the other window's field stays.
    await a.undo();
    expect(await database.rows('plans').get(ID)).toMatchObject({ placement: before.placement, iso: 3200 });
    await b.undo();
    expect(await database.rows('plans').get(ID)).toMatchObject({ iso: before.iso });
  });

  it('a record that another window has taken out is not brought back by an edit', async () => {
    const { database, a, b } = await two();
    const before = a.getState().gels.values().next().value!;
    const removed = b.edit({ label: 'Out', changes: [{ table: 'gels', id: before.id, before }] });
    const renamed = a.edit({
      label: 'Name',
      changes: [{ table: 'gels', id: before.id, before, after: { ...before, name: 'Other' } }],
    });
    expect(await Promise.all([removed, renamed])).toEqual([true, false]);
    expect(await database.rows('gels').get(before.id)).toBeUndefined();
    expect(a.getState().problem).toContain('the gel is no longer there');
  });

  it('a record that was made here and changed elsewhere is not thrown away by undo', async () => {
    const { database, a, b } = await two();
    const gel = a.getState().gels.values().next().value!;
    await a.edit({
      label: 'New gel',
      changes: [{ table: 'gels', id: 'mine', after: { ...gel, id: 'mine' } }],
    });
    await until(() => b.getState().gels.has('mine'));
    const before = b.getState().gels.get('mine')!;
    await b.edit({
      label: 'Name',
      changes: [{ table: 'gels', id: 'mine', before, after: { ...before, name: 'Theirs' } }],
    });
    expect(await a.undo()).toBeUndefined();
    expect(a.getState().problem).toBe(
      '“New gel” is not undone: name of the gel was changed since and stays.',
    );
    expect((await database.rows('gels').get('mine'))?.name).toBe('Theirs');
  });

  it('never give one number to two takes', async () => {
    const { database, a, b } = await two();
    const { number: _number, ...draft } = sampleTake;
    const logged = await Promise.all(
      [a, b, a, b].map((book, i) => book.logTake({ ...draft, id: `t${i}` }, new Uint8Array([i + 1]))),
    );
    expect(logged.map((take) => take?.number).toSorted()).toEqual([3, 4, 5, 6]);
    expect(await database.rows('thumbnails').count()).toBe(4);
    // A number that went to somebody else meanwhile is not given back twice.
    const mine = await a.logTake({ ...draft, id: 't4' });
    expect(mine?.number).toBe(7);
    expect(await a.undo()).toBe('Log take 7');
    const theirs = await b.logTake({ ...draft, id: 't5' });
    expect(theirs?.number).toBe(7);
    await a.redo();
    expect((await database.rows('takes').get('t4'))?.number).toBe(8);
    const numbers = (await database.rows('takes').toArray())
      .filter(({ setupId, cameraId }) => setupId === draft.setupId && cameraId === draft.cameraId)
      .map(({ number }) => number);
    expect(new Set(numbers).size).toBe(numbers.length);
  });
});
