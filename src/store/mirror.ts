import { dequal } from 'dequal';
import { ARCHETYPE_PROFILES, isBuiltIn } from './builtIn.ts';
import type { Database, FirstRows } from './database.ts';
import type { Stored } from './edits.ts';
import { applyPatch, type AnyRecord, type RecordPatch } from './patches.ts';
import { readRows, type SetAside } from './setAside.ts';
import { BOOK_TABLES, type BookTable, type RecordOf } from './tables.ts';

/** The small tables in memory, each by id. */
export type BookRecords = { readonly [T in BookTable]: ReadonlyMap<string, RecordOf<T>> };

type Rows = ReadonlyMap<string, AnyRecord>;
type AnyBook = { readonly [T in BookTable]: Rows };

export const NO_RECORDS = Object.fromEntries(
  BOOK_TABLES.map((name) => [name, new Map()]),
) as unknown as BookRecords;

/** The records, and what is stored among them and cannot be read. */
export type Read = { readonly records: BookRecords; readonly setAside: readonly SetAside[] };

type StoredRows = Readonly<Partial<Record<BookTable, readonly unknown[]>>>;

type Row = { readonly id: string };

const withBuiltIn = (rowsOf: (name: BookTable) => readonly Row[]): BookRecords => {
  const tables = BOOK_TABLES.map((name) => {
    const own = rowsOf(name).filter(({ id }) => !isBuiltIn(name, id));
    const all = name === 'profiles' ? [...ARCHETYPE_PROFILES, ...own] : own;
    return [name, new Map(all.map((record) => [record.id, record]))] as const;
  });
  return Object.fromEntries(tables) as unknown as BookRecords;
};

/** Records that the app itself made, with what ships with it: they are not checked, which takes its time. */
export const recordsOfOurs = (rows: FirstRows): BookRecords => withBuiltIn((name) => rows[name] ?? []);

/** Rows as the small records they are, with what ships with the app. */
const recordsOf = (stored: StoredRows): Read => {
  const setAside: SetAside[] = [];
  const records = withBuiltIn((name) => {
    const read = readRows(name, stored[name] ?? []);
    setAside.push(...read.setAside);
    return read.good;
  });
  return { records, setAside };
};

/** All small records as they are stored, of one moment. */
export const readRecords = (database: Database): Promise<Read> =>
  database.transaction('r', [...BOOK_TABLES], async () => {
    const rows = await Promise.all(
      BOOK_TABLES.map(async (name) => [name, await database.table<unknown>(name).toArray()] as const),
    );
    return recordsOf(Object.fromEntries(rows));
  });

/** Newly read records, with what did not change kept as the very same objects: nothing is drawn anew for it. */
export const reusing = (old: BookRecords, fresh: BookRecords): BookRecords => {
  const [was, now] = [old as AnyBook, fresh as AnyBook];
  const table = (name: BookTable): Rows => {
    let same = was[name].size === now[name].size;
    const rows = [...now[name]].map(([id, record]) => {
      const before = was[name].get(id);
      if (before !== undefined && dequal(before, record)) return [id, before] as const;
      same = false;
      return [id, record] as const;
    });
    return same ? was[name] : new Map(rows);
  };
  return Object.fromEntries(BOOK_TABLES.map((name) => [name, table(name)])) as unknown as BookRecords;
};

const isBookTable = (name: string): name is BookTable => (BOOK_TABLES as readonly string[]).includes(name);

/** The records with some of them as they are stored now. */
export const withStored = (records: BookRecords, stored: readonly Stored[]): BookRecords => {
  const touched: Partial<Record<BookTable, Map<string, AnyRecord>>> = {};
  for (const { table, id, record } of stored) {
    if (!isBookTable(table)) continue;
    const rows = (touched[table] ??= new Map((records as AnyBook)[table]));
    if (record === undefined) rows.delete(id);
    else rows.set(id, record);
  }
  return { ...records, ...touched } as BookRecords;
};

/** The records with patches made, and what those came to; takes, thumbnails and texts are not held here. */
export const withPatches = (
  records: BookRecords,
  patches: readonly RecordPatch[],
  options: { readonly guarded: boolean },
): { readonly records: BookRecords; readonly done: readonly RecordPatch[] } => {
  const touched: Partial<Record<BookTable, Map<string, AnyRecord>>> = {};
  const done: RecordPatch[] = [];
  for (const patch of patches) {
    const { table, id } = patch;
    if (!isBookTable(table)) continue;
    const rows = touched[table] ?? new Map((records as AnyBook)[table]);
    const made = applyPatch(patch, rows.get(id), options);
    if (!made.done) continue;
    done.push(made.done);
    touched[table] = rows;
    if (made.next === undefined) rows.delete(id);
    else rows.set(id, made.next);
  }
  return { records: done.length > 0 ? ({ ...records, ...touched } as BookRecords) : records, done };
};
