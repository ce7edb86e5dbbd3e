import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { openBooks } from '#store/fixtures/openBooks.ts';
import { sampleTake } from '#store/fixtures/sampleTake.ts';
import { dropUnsent, keepUnsent, sendUnsent } from './unsentNotes.ts';

const { fresh, bookOf, closeAll } = openBooks('unsent');
const KEY = 'candelum-unsent-notes';
const { id, notes } = sampleTake;
let kept: Map<string, string>;

beforeEach(() => {
  kept = new Map();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  });
});
afterEach(closeAll);

describe('notes that were typed as the page was left', () => {
  const opened = async () => {
    const database = fresh();
    await database.rows('takes').put(sampleTake);
    return { database, book: await bookOf(database) };
  };

  it('are stored when the records are opened next, and then forgotten', async () => {
    const { database, book } = await opened();
    keepUnsent(id, { before: notes, after: 'window key' });
    await sendUnsent(book, database);
    expect((await database.rows('takes').get(id))?.notes).toBe('window key');
    expect(kept.has(KEY)).toBe(false);
  });

  it('stand under what somebody has written since, and are not stored twice', async () => {
    const { database, book } = await opened();
    keepUnsent(id, { before: 'something else', after: 'window key' });
    await sendUnsent(book, database);
    expect((await database.rows('takes').get(id))?.notes).toBe(`${notes}\nwindow key`);
    keepUnsent(id, { before: notes, after: `${notes}\nwindow key` });
    await sendUnsent(book, database);
    expect((await database.rows('takes').get(id))?.notes).toBe(`${notes}\nwindow key`);
  });

  it('are kept while they are refused, dropped when they are stored or their take is gone', async () => {
    const { database, book } = await opened();
    keepUnsent(id, { before: notes, after: 'window key' });
    vi.spyOn(book, 'patch').mockResolvedValueOnce(false);
    await sendUnsent(book, database);
    expect(kept.get(KEY)).toContain('window key');
    dropUnsent(id);
    keepUnsent('gone', { before: '', after: 'x' });
    await sendUnsent(book, database);
    expect(kept.has(KEY)).toBe(false);
  });

  it.each(['null', '[1]', '{"a":7}', '{"a":', '"text"'])(
    'are none where what is kept is spoilt: %s',
    async (text) => {
      const { database, book } = await opened();
      kept.set(KEY, text);
      await sendUnsent(book, database);
      expect((await database.rows('takes').get(id))?.notes).toBe(notes);
    },
  );
});
