import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { openBooks } from './fixtures/openBooks.ts';
import { backupOf } from './backup/backup.ts';
import { cameraTests, dropCameraTest, keepCameraTest } from './cameraTests.ts';
import { cameraTestSchema, type CameraTestRecord } from './records/cameraTest.ts';

const { fresh, bookOf, closeAll } = openBooks('cameraTests');
afterEach(closeAll);

const fixture = JSON.parse(readFileSync('src/store/fixtures/schema-v10.json', 'utf8')) as {
  rows: { cameraTests: unknown[] };
};
const record = (own: Partial<CameraTestRecord> = {}): CameraTestRecord => ({
  ...cameraTestSchema.parse(fixture.rows.cameraTests[0]),
  ...own,
});

describe('kept camera tests', () => {
  it('are read newest first, and taken away one at a time', async () => {
    const database = fresh();
    await bookOf(database);
    await keepCameraTest(database, record({ id: 'old', at: '2026-01-01T00:00:00.000Z' }));
    await keepCameraTest(database, record({ id: 'new', at: '2026-02-01T00:00:00.000Z' }));
    expect((await cameraTests(database)).map(({ id }) => id)).toEqual(['new', 'old']);
    await dropCameraTest(database, 'new');
    expect((await cameraTests(database)).map(({ id }) => id)).toEqual(['old']);
  });

  it('are refused where they are none, and one that cannot be read is left as it is', async () => {
    const database = fresh();
    await bookOf(database);
    await expect(keepCameraTest(database, record({ bitDepth: 99 }))).rejects.toThrow();
    const odd = { ...record({ id: 'odd' }), parts: 'none' };
    await database.table('cameraTests').put(odd);
    expect(await cameraTests(database)).toEqual([]);
    expect(await database.table('cameraTests').get('odd')).toEqual(odd);
  });

  it('go into a back-up of everything, not into that of one shoot', async () => {
    const database = fresh();
    const book = await bookOf(database);
    await keepCameraTest(database, record());
    const rows = async (shootId?: string) => {
      const now = new Date('2026-12-01T00:00:00Z');
      const { document } = await backupOf(database, book.getState(), { now, shootId });
      return (document as { tables: { cameraTests: unknown[] } }).tables.cameraTests;
    };
    expect(await rows()).toEqual([record()]);
    expect(await rows('salt-and-fire')).toEqual([]);
  });
});
