import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import type { Database } from './database.ts';
import { openBooks, until } from './fixtures/openBooks.ts';
import { sampleTake } from './fixtures/sampleTake.ts';
import type { TakeRecord } from './records/take.ts';
import { factsOf, filterTakes, takeChoices, type TakeFacts } from './takeFacts.ts';
import { createTakeIndex, type TakeIndex } from './takeIndex.ts';

const { fresh, again, bookOf, closeAll } = openBooks('take-index');
const indexes: TakeIndex[] = [];
const indexOf = (database: Database) => {
  const index = createTakeIndex(database);
  indexes.push(index);
  return index;
};
afterEach(() => {
  indexes.splice(0).forEach((index) => index.close());
  closeAll();
});

const SHOOT = sampleTake.shootId;
const takeAt = (n: number, part: Partial<TakeRecord> = {}): TakeRecord => ({
  ...sampleTake,
  id: `many-${n}`,
  number: n,
  loggedAt: new Date(Date.UTC(2026, 1, 1, 0, n)).toISOString(),
  ...part,
});
const opened = async (database: Database) => {
  const index = indexOf(database);
  index.open(SHOOT);
  await until(() => index.getState().isComplete);
  return index;
};
const numbers = (index: TakeIndex) => index.getState().facts.map(({ number }) => number);

describe('the index of the log', () => {
  it('shows the newest lines first, before all is read, and then all, newest first', async () => {
    const database = fresh(false);
    await database.rows('takes').bulkAdd(Array.from({ length: 400 }, (_, i) => takeAt(i + 1)));
    const index = indexOf(database);
    const early: number[][] = [];
    index.subscribe(({ isComplete }) => {
      if (!isComplete) early.push(numbers(index));
    });
    index.open(SHOOT);
    await until(() => index.getState().isComplete);
    const first = early.find((shown) => shown.length > 0)!;
    expect(first.length).toBeLessThan(60);
    expect(first.slice(0, 3)).toEqual([400, 399, 398]);
    expect(numbers(index)).toEqual(Array.from({ length: 400 }, (_, i) => 400 - i));
    expect(index.getState().count).toBe(400);
  });

  it('keeps up with a change, a deletion and a new take, of this window and of another', async () => {
    const database = fresh(false);
    await database.rows('takes').bulkAdd([takeAt(1), takeAt(2), takeAt(4)]);
    const index = await opened(database);
    const other = again(database);
    await other.open();
    await other.rows('takes').update('many-2', { circled: false, notes: 'boom in frame' });
    await until(() => index.getState().facts[1]?.text.includes('boom'));
    expect(index.getState().facts.map(({ circled }) => circled)).toEqual([true, false, true]);
    await database.rows('takes').delete('many-1');
    await until(() => numbers(index).length === 2);
    await database.rows('takes').add(takeAt(3));
    await until(() => numbers(index).length === 3);
    expect(numbers(index)).toEqual([4, 3, 2]);
  });

  it('reads again after a change of a whole span', async () => {
    const database = fresh(false);
    await database.rows('takes').bulkAdd([takeAt(1), takeAt(2)]);
    const index = await opened(database);
    await database.rows('takes').clear();
    await until(() => index.getState().count === 0);
    expect(numbers(index)).toEqual([]);
  });

  it('belongs to the shoot asked for last', async () => {
    const database = fresh(false);
    const other = takeAt(9, { shootId: 'second' });
    await database.rows('takes').bulkAdd([takeAt(1), takeAt(2), other]);
    const index = indexOf(database);
    index.open(SHOOT);
    index.open('second');
    await until(() => index.getState().isComplete);
    expect(numbers(index)).toEqual([9]);
    expect(index.getState().shootId).toBe('second');
    // A take of the first shoot is no news here.
    await database.rows('takes').add(takeAt(5));
    await database.rows('takes').add({ ...other, id: 'many-10', number: 10 });
    await until(() => numbers(index).includes(10));
    expect([...numbers(index)].sort()).toEqual([10, 9]);
  });

  it('keeps what it cannot read apart, also without a time to sort it by', async () => {
    const database = fresh(false);
    await database
      .table('takes')
      .bulkAdd([takeAt(1), { id: 'odd', shootId: SHOOT }, { ...takeAt(2), card: 'none' }]);
    const index = await opened(database);
    expect(numbers(index)).toEqual([1]);
    expect(
      index
        .getState()
        .setAside.map(({ id }) => id)
        .sort(),
    ).toEqual(['many-2', 'odd']);
  });

  it('sees a take that the book logs, and its undo', async () => {
    const database = fresh();
    const book = await bookOf(database);
    const index = await opened(database);
    const before = numbers(index).length;
    const { number: _number, ...draft } = takeAt(1, { loggedAt: '2026-12-01T10:00:00.000Z' });
    await book.logTake(draft);
    await until(() => numbers(index).length === before + 1);
    expect(index.getState().facts[0].loggedAt).toBe('2026-12-01T10:00:00.000Z');
    await book.undo();
    await until(() => numbers(index).length === before);
  });
});

describe('searching the log', () => {
  const of = (part: Partial<TakeRecord>, n = 1): TakeFacts => factsOf(takeAt(n, part), '+00:00');
  const plain = of({ measured: undefined, circled: false, notes: '' }, 7);
  const found = of({});

  it('facts say the worst verdict, none without a frame', () => {
    expect(found.verdict).toBe('lost');
    expect(plain.verdict).toBe('none');
    expect(
      of({ measured: { ...sampleTake.measured!, verdicts: [sampleTake.measured!.verdicts[0]] } }).verdict,
    ).toBe('watch');
    expect(of({ measured: { ...sampleTake.measured!, verdicts: [] } }).verdict).toBe('holds');
  });

  it('every word must stand somewhere, whatever its case', () => {
    const hits = (words: string) => filterTakes([found, plain], { words }).length;
    expect(hits('FURNACE keep')).toBe(1);
    expect(hits('furnace gather_012')).toBe(1);
    expect(hits('furnace nowhere')).toBe(0);
    expect(hits('  ')).toBe(2);
  });

  it('each filter lets through what it says, and they add up', () => {
    const ids = (filter: Parameters<typeof filterTakes>[1]) =>
      filterTakes([found, plain], filter).map(({ number }) => number);
    expect(ids({ circled: true })).toEqual([1]);
    expect(ids({ verdict: 'none' })).toEqual([7]);
    expect(ids({ day: '2026-02-01' })).toEqual([1, 7]);
    expect(ids({ day: '2026-02-02' })).toEqual([]);
    expect(ids({ setup: 'Furnace mouth', camera: 'A-cam' })).toEqual([1, 7]);
    expect(ids({ camera: 'B-cam' })).toEqual([]);
    expect(ids({ verdict: 'lost', circled: true, words: 'door' })).toEqual([1]);
  });

  it('off the plan counts either way, and a third stored as 0.333 is a third', () => {
    const off = (cardOffset: number) => of({ measured: { ...sampleTake.measured!, cardOffset } });
    const takes = [off(-0.333), off(0.667), off(0.1), plain];
    expect(filterTakes(takes, { offPlan: 1 / 3 })).toHaveLength(2);
    expect(filterTakes(takes, { offPlan: 2 / 3 })).toHaveLength(1);
  });

  it('a day is that of the shoot’s clock', () => {
    const late = takeAt(1, { loggedAt: '2026-04-14T23:30:00.000Z' });
    expect(factsOf(late, '+02:00').day).toBe('2026-04-15');
    expect(factsOf(late, '-05:00').day).toBe('2026-04-14');
  });

  it('offers what there is, once each', () => {
    expect(takeChoices([found, plain, found])).toEqual({
      setups: ['Furnace mouth'],
      cameras: ['A-cam'],
      days: ['2026-02-01'],
    });
  });
});
