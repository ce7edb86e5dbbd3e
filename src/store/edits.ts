import type { Database } from './database.ts';
import { isBuiltIn } from './builtIn.ts';
import {
  applyPatch,
  asStored,
  type AnyRecord,
  type Change,
  type FieldPatch,
  type RecordPatch,
} from './patches.ts';
import type { TakeRecord } from './records/take.ts';
import { TABLES, type TableName } from './tables.ts';
import { nextTakeNumber } from './takes.ts';
import { withUnknown } from './unknownFields.ts';
import { issueWords, NEWER_WORDS, RECORD_WORDS, Refusal } from './words.ts';

export type { Change } from './patches.ts';

export type Stored = {
  readonly table: TableName;
  readonly id: string;
  readonly record: AnyRecord | undefined;
};

/** A step of work that is undone as one. */
export type Edit = { readonly label: string; readonly changes: readonly Change[] };

/** What writing came to. */
export type Written = {
  /** What was really changed, with what really was there before. */
  readonly done: readonly RecordPatch[];
  /** The records as they are stored now. */
  readonly stored: readonly Stored[];
  /** What was left as it is, because somebody else had changed it since. */
  readonly kept: readonly { readonly table: TableName; readonly fields: readonly FieldPatch[] }[];
};

/** A record that fits its schema. @throws Refusal that names field, rule and value. */
export const checkedRecord = (table: TableName, record: AnyRecord): AnyRecord => {
  const parsed = TABLES[table].safeParse(record);
  if (!parsed.success) throw new Refusal(issueWords(parsed.error, record));
  return parsed.data;
};

/**
 * A record as it is stored, and as its schema reads it. @throws Refusal when it cannot be read: it is not
 * written over.
 */
const storedRecord = async (
  database: Database,
  { table, id }: Pick<RecordPatch, 'table' | 'id'>,
): Promise<{ readonly row?: AnyRecord; readonly known?: AnyRecord }> => {
  const row = await database.table<AnyRecord | undefined>(table).get(id);
  if (row === undefined) return {};
  const parsed = TABLES[table].safeParse(row);
  if (!parsed.success) throw new Refusal(`the stored ${RECORD_WORDS[table]} cannot be read`);
  return { row, known: parsed.data };
};

/** Whether another take of its set-up and camera has the number of a take. */
const isNumberTaken = async (
  database: Database,
  { id, setupId, cameraId, number }: TakeRecord,
): Promise<boolean> => {
  const others = database.rows('takes').where('[setupId+cameraId]').equals([setupId, cameraId]);
  return (await others.filter((other) => other.number === number && other.id !== id).count()) > 0;
};

/**
 * A take's number is given when it is written: one more than the highest, where its own is none or has gone
 * to another take.
 */
const numbered = async (database: Database, take: TakeRecord): Promise<TakeRecord> => {
  const { setupId, cameraId, number } = take;
  if (number > 0 && !(await isNumberTaken(database, take))) return take;
  return { ...take, number: await nextTakeNumber(database, setupId, cameraId) };
};

const isRenumbered = (patch: RecordPatch): boolean =>
  patch.table === 'takes' &&
  patch.kind === 'fields' &&
  patch.fields.some(({ path: [field] }) => field === 'number');

const isTakePut = (patch: RecordPatch): patch is Extract<RecordPatch, { kind: 'put' }> =>
  patch.table === 'takes' && patch.kind === 'put';

/**
 * Writes patches in one transaction, all of them or none, on the records as they are stored at that moment.
 * @throws Refusal when a record does not fit its schema, is not there, or cannot be read; nothing is written then.
 */
export const writePatches = async (
  database: Database,
  patches: readonly RecordPatch[],
  options: { readonly guarded: boolean },
): Promise<Written> => {
  if (patches.length === 0) return { done: [], stored: [], kept: [] };
  if (database.isNewer) throw new Refusal(NEWER_WORDS);
  const names = [...new Set(patches.map(({ table }) => table))];
  return database.transaction('rw', names, async () => {
    const done: RecordPatch[] = [];
    const stored: Stored[] = [];
    const kept: Written['kept'][number][] = [];
    for (const asked of patches) {
      const { table, id } = asked;
      if (isBuiltIn(table, id))
        throw new Refusal('it ships with the app and stays as it is; make a copy of it');
      const patch = isTakePut(asked)
        ? { ...asked, record: await numbered(database, asked.record as TakeRecord) }
        : asked;
      const { row, known } = await storedRecord(database, patch);
      const made = applyPatch(patch, known, options);
      if (made.gone && !options.guarded) throw new Refusal(`the ${RECORD_WORDS[table]} is no longer there`);
      if (made.kept.length > 0) kept.push({ table, fields: made.kept });
      if (!made.done) continue;
      if (made.next === undefined) {
        await database.table(table).delete(id);
        done.push(row && made.done.kind === 'remove' ? { ...made.done, record: row } : made.done);
        stored.push({ table, id, record: undefined });
      } else {
        const record = checkedRecord(table, made.next);
        if (isRenumbered(made.done) && (await isNumberTaken(database, record as TakeRecord)))
          throw new Refusal(
            `there is a take ${(record as TakeRecord).number} of this set-up and camera already`,
          );
        // Without a stored one it may be what was taken out, brought back as it was.
        const [from, read] = row ? [row, known] : [made.next, record];
        await database.table(table).put(withUnknown(from, read, record));
        done.push(asStored(made.done, record));
        stored.push({ table, id, record });
      }
    }
    return { done, stored, kept };
  });
};
