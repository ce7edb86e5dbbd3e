import type { BookRecords } from '../book.ts';
import type { Change, Edit } from '../edits.ts';
import { BOOK_TABLES } from '../tables.ts';

/** The demo shoot with its kit, as far as it is not there; what is there stays as it is. */
export const demoEdit = async (book: BookRecords): Promise<Edit> => {
  const { demoRecords } = await import('./index.ts');
  const records = demoRecords();
  const changes = BOOK_TABLES.flatMap((table): Change[] =>
    (records[table] ?? [])
      .filter(({ id }) => !book[table].has(id))
      .map((after) => ({ table, id: after.id, after }) as Change),
  );
  return { label: 'Demo shoot', changes };
};
