import { afterEach, describe, expect, it } from 'vitest';
import { openBooks } from './fixtures/openBooks.ts';
import { backupOf } from './backup/backup.ts';
import { practiceCsv } from './exports/practiceCsv.ts';
import { keepPractice, peopleOf, practiceOf } from './practice.ts';
import type { PracticeRecord } from './records/practice.ts';

const { fresh, bookOf, closeAll } = openBooks('practice');
afterEach(closeAll);

const record = (own: Partial<PracticeRecord>): PracticeRecord => ({
  id: 'one',
  person: 'Mika',
  drill: 'expose-zebra',
  level: 1,
  seed: 7,
  at: '2026-04-13T18:20:00.000Z',
  seconds: 41.25,
  camera: 'A-cam',
  profile: 'wide log',
  marks: [{ ask: 'card', unit: 'stops', miss: -0.5, tolerance: 0.5, ok: true, said: -0.5, truth: 0 }],
  ...own,
});

describe('results of practice', () => {
  it('are kept by person, oldest first', async () => {
    const database = fresh();
    await bookOf(database);
    await keepPractice(database, record({ id: 'b', at: '2026-04-14T08:00:00.000Z' }));
    await keepPractice(database, record({ id: 'a' }));
    await keepPractice(database, record({ id: 'c', person: 'Ola' }));
    expect((await practiceOf(database, 'Mika')).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(await peopleOf(database)).toEqual(['Mika', 'Ola']);
  });

  it('are refused where they are none, and nothing is written', async () => {
    const database = fresh();
    await bookOf(database);
    await expect(keepPractice(database, record({ seconds: Number.NaN }))).rejects.toThrow();
    await expect(keepPractice(database, record({ marks: [] }))).rejects.toThrow();
    expect(await practiceOf(database, 'Mika')).toEqual([]);
  });

  it('leave out a row that cannot be read, and leave it as it is', async () => {
    const database = fresh();
    await bookOf(database);
    await keepPractice(database, record({}));
    const odd = { ...record({ id: 'odd' }), level: 9 };
    await database.table('practice').put(odd);
    expect((await practiceOf(database, 'Mika')).map(({ id }) => id)).toEqual(['one']);
    expect(await database.table('practice').get('odd')).toEqual(odd);
  });

  it('go into a back-up of everything, not into that of one shoot', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await keepPractice(database, record({}));
    const rows = async (shootId?: string) => {
      const now = new Date('2026-04-15T00:00:00Z');
      const { document } = await backupOf(database, book.getState(), { now, shootId });
      return (document as { tables: { practice: unknown[] } }).tables.practice;
    };
    expect(await rows()).toEqual([record({})]);
    expect(await rows('salt-and-fire')).toEqual([]);
  });

  it('come out as CSV, one line an answer', () => {
    const [head, line] = practiceCsv([record({})])
      .trim()
      .split('\r\n');
    expect(head.split(',').slice(0, 5)).toEqual(['person', 'at (UTC)', 'drill', 'level', 'seed']);
    expect(line).toBe(
      'Mika,2026-04-13T18:20:00.000Z,expose-zebra,1,7,A-cam,wide log,41.3,card,yes,-0.5,stops,0.5,-0.5,0,stops',
    );
  });
});
