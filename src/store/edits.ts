import type { Database } from './database.ts';
import { TABLES, type RecordOf, type TableName } from './tables.ts';

/** One record before and after; undefined means it is not there. */
export type Change<T extends TableName = TableName> = {
  readonly table: T;
  readonly id: string;
  readonly before?: RecordOf<T>;
  readonly after?: RecordOf<T>;
};

/** A step of work that is undone as one. */
export type Edit = { readonly label: string; readonly changes: readonly Change[] };

export const reversed = ({ label, changes }: Edit): Edit => ({
  label,
  changes: changes
    .map(({ table, id, before, after }) => ({ table, id, before: after, after: before }))
    .reverse(),
});

/**
 * Writes an edit in one transaction: all of it or nothing.
 * @throws ZodError when a record does not fit its schema; nothing is written then.
 */
export const writeEdit = async (database: Database, { changes }: Edit): Promise<void> => {
  const checked = changes.map((change) => ({
    ...change,
    after: change.after === undefined ? undefined : TABLES[change.table].parse(change.after),
  }));
  const names = [...new Set(changes.map(({ table }) => table))];
  await database.transaction('rw', names, async () => {
    for (const { table, id, after } of checked) {
      if (after === undefined) await database.table(table).delete(id);
      else await database.table(table).put(after);
    }
  });
};

/**
 * Changes fields of one record as it stands in the database, read and written in one transaction: two changes made
 * in quick succession both hold, whatever their callers had in hand.
 * @returns the change, for undo; undefined when the record is gone.
 * @throws ZodError when the result does not fit its schema; nothing is written then.
 */
export const patchRecord = <T extends TableName>(
  database: Database,
  table: T,
  id: string,
  fields: Partial<RecordOf<T>>,
): Promise<Change<T> | undefined> =>
  database.transaction('rw', table, async () => {
    const before = (await database.table(table).get(id)) as RecordOf<T> | undefined;
    if (before === undefined) return undefined;
    const after = TABLES[table].parse({ ...before, ...fields }) as RecordOf<T>;
    await database.table(table).put(after);
    return { table, id, before, after };
  });
