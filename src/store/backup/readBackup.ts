import * as z from 'zod/mini';
import { failure, success, type Result } from '#core/result.ts';
import type { Archive } from '#workers/archive/protocol.ts';
import { isBuiltIn } from '../builtIn.ts';
import { Database, LATEST } from '../database.ts';
import { MIGRATIONS } from '../migrations.ts';
import { readRows, type SetAside } from '../setAside.ts';
import { TABLE_NAMES, type RecordOf, type TableName } from '../tables.ts';
import { rowsOfDocument, rowsOfFiles, type Rows } from './backup.ts';
import Dexie from 'dexie';

/** What a file holds, as this version reads it. */
export type Backup = {
  /** What it is, for the screen: `Back-up`, `Shoot Harbour`, `Log of Harbour`. */
  readonly what: string;
  readonly exportedAt: string;
  /** It holds a part: what is not in it says nothing. */
  readonly isPart: boolean;
  readonly records: { readonly [T in TableName]?: readonly RecordOf<T>[] };
  /** What in it cannot be read, and is left out. */
  readonly unread: readonly SetAside[];
};

const tables = z.record(z.string(), z.array(z.unknown()));
const head = { exportedAt: z.iso.datetime() };

/** The documents that are read back, by their format. A further one is a row. */
const DOCUMENTS = {
  'candelum-backup': z.pipe(
    z.object({ ...head, version: z.literal(1), schema: z.int(), shoot: z.optional(z.string()), tables }),
    z.transform(({ shoot, ...rest }) => ({
      ...rest,
      what: shoot === undefined ? 'Back-up' : `Shoot ${shoot}`,
      isPart: shoot !== undefined,
    })),
  ),
  // Written where a screen has stopped: without pictures.
  'candelum-records': z.pipe(
    z.object({ ...head, version: z.literal(1), schema: z._default(z.int(), LATEST), tables }),
    z.transform((rest) => ({ ...rest, what: 'All records without pictures', isPart: false })),
  ),
  'candelum-takes': z.pipe(
    z.object({
      ...head,
      version: z.literal(1),
      shoot: z.looseObject({ name: z.string() }),
      takes: z.array(z.unknown()),
    }),
    z.transform(({ exportedAt, shoot, takes }) => ({
      exportedAt,
      schema: LATEST,
      what: `Log of ${shoot.name}`,
      isPart: true,
      tables: { shoots: [shoot], takes },
    })),
  ),
};

/** Rows of an older version as this one stores them: through the very steps that a database goes. */
const migrated = async (rows: Rows, schema: number): Promise<Rows> => {
  if (schema === LATEST) return rows;
  const name = `candelum-restore-${Date.now()}-${Math.random().toString(36).slice(2)}`;
  const old = new Dexie(name);
  for (const { version, stores } of MIGRATIONS.filter(({ version: n }) => n <= schema))
    old.version(version).stores({ ...stores });
  try {
    await old.open();
    for (const table of old.tables) {
      const list = (rows[table.name as TableName] ?? []).filter(
        (row) => (row as { id?: unknown } | null)?.id !== undefined,
      );
      await table.bulkPut([...list]);
    }
    old.close();
    const now = new Database(name, { demo: false });
    await now.open();
    const read: Partial<Record<TableName, unknown[]>> = {};
    for (const table of TABLE_NAMES) read[table] = await now.table(table).toArray();
    now.close();
    return read;
  } finally {
    old.close();
    await Dexie.delete(name);
  }
};

/**
 * Reads what was unpacked. A failure says what the file is not; records that cannot be read are named, the rest is
 * taken.
 */
export const readBackup = async ({ document, files }: Archive): Promise<Result<Backup>> => {
  const { format, version } = (document ?? {}) as { readonly format?: unknown; readonly version?: unknown };
  const kind =
    typeof format === 'string' && Object.hasOwn(DOCUMENTS, format)
      ? DOCUMENTS[format as keyof typeof DOCUMENTS]
      : undefined;
  if (!kind) {
    const held = typeof format === 'string' ? `“${format.slice(0, 40)}”` : 'something else';
    return failure(
      'format',
      `The file holds ${held}, no back-up, shoot or log of Candelum: choose another one.`,
    );
  }
  if (typeof version === 'number' && version > 1)
    return failure(
      'version',
      `The file is of version ${version}; this Candelum reads version 1: update it. Nothing was changed.`,
    );
  const parsed = kind.safeParse(document);
  if (!parsed.success)
    return failure('file', 'The file is not whole: its head or its tables are missing. Choose another one.');
  const { what, exportedAt, isPart, schema, tables: rows } = parsed.data;
  if (schema > LATEST)
    return failure(
      'version',
      'A newer Candelum wrote this file: update this one, then restore. Nothing was changed.',
    );
  const all = await migrated(
    { ...rowsOfDocument(rows), ...(files.length > 0 ? rowsOfFiles(files) : {}) },
    schema,
  );
  const records: Partial<Record<TableName, readonly unknown[]>> = {};
  const unread: SetAside[] = [];
  for (const table of TABLE_NAMES) {
    const read = readRows(table, all[table] ?? []);
    records[table] = read.good.filter(({ id }) => !isBuiltIn(table, id));
    unread.push(...read.setAside);
  }
  return success({ what, exportedAt, isPart, records: records as Backup['records'], unread });
};
