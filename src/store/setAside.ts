import type { Database } from './database.ts';
import type { AnyRecord } from './patches.ts';
import { TABLES, type RecordOf, type TableName } from './tables.ts';
import { issueWords, NEWER_WORDS, RECORD_WORDS, Refusal } from './words.ts';

/** A stored record that this version cannot read. It is left as it is and nothing is shown of it. */
export type SetAside = {
  readonly table: TableName;
  readonly id: string;
  /** What it calls itself; its id where it has no name. */
  readonly name: string;
  /** What is wrong with it, without a full stop. */
  readonly reason: string;
  /** As it is stored. */
  readonly row: unknown;
};

/** A text of a row that may be anything. */
export const textAt = (row: unknown, field: string): string | undefined => {
  const value = (row as Readonly<Record<string, unknown>> | null | undefined)?.[field];
  return typeof value === 'string' && value.trim() !== '' ? value.slice(0, 80) : undefined;
};

/** Rows of a table as its schema reads them, and those that it cannot. */
export const readRows = <T extends TableName>(
  table: T,
  rows: readonly unknown[],
): { readonly good: readonly RecordOf<T>[]; readonly setAside: readonly SetAside[] } => {
  const good: RecordOf<T>[] = [];
  const setAside: SetAside[] = [];
  for (const row of rows) {
    const parsed = TABLES[table].safeParse(row);
    if (parsed.success) good.push(parsed.data as RecordOf<T>);
    else {
      const id = textAt(row, 'id') ?? '';
      const name = textAt(row, 'name') ?? (id || 'without a name');
      setAside.push({ table, id, name, reason: issueWords(parsed.error, row), row });
    }
  }
  return { good, setAside };
};

/** `profile “own log”`. */
export const setAsideWords = ({ table, name }: Pick<SetAside, 'table' | 'name'>): string =>
  `${RECORD_WORDS[table]} “${name}”`;

/**
 * Puts a readable record in the place of one that was set aside, or takes it out.
 * @throws Refusal where somebody has mended it meanwhile.
 */
export const replaceSetAside = async (
  database: Database,
  { table, id }: Pick<SetAside, 'table' | 'id'>,
  record: AnyRecord | undefined,
): Promise<void> => {
  if (database.isNewer) throw new Refusal(NEWER_WORDS);
  return database.transaction('rw', table, async () => {
    const row = await database.table<unknown>(table).get(id);
    if (row !== undefined && TABLES[table].safeParse(row).success)
      throw new Refusal(`the stored ${RECORD_WORDS[table]} can be read by now`);
    if (record) await database.table(table).put(record);
    else await database.table(table).delete(id);
  });
};
