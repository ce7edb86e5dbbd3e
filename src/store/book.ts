import { createStore } from 'zustand/vanilla';
import type { BookState, BookStore } from './bookState.ts';
import type { Database } from './database.ts';
import type { Edit } from './edits.ts';
import { createHistory } from './history.ts';
import { NO_RECORDS } from './mirror.ts';
import { patchOf, type AnyRecord, type RecordPatch } from './patches.ts';
import type { TakeRecord } from './records/take.ts';
import type { TakeMarksRecord } from './records/takeMarks.ts';
import type { SetAside } from './setAside.ts';
import type { BookTable, RecordOf, TableName } from './tables.ts';
import { createWriting } from './writing.ts';

export { MOST_STEPS } from './history.ts';
export type { BookState } from './bookState.ts';
export type { BookRecords } from './mirror.ts';

/** A take before it has its number. */
export type TakeDraft = Omit<TakeRecord, 'number'>;

/**
 * The small records in memory, so that an edit shows within the same frame; written behind it, one write
 * after the other. What is shown is always what the database held when it was last read, with the edits that
 * still wait to be written on top.
 */
export type Book = BookStore & {
  /** Changes records; only fields that differ are written. @returns false when it was refused: `problem` says why. */
  readonly edit: (edit: Edit) => Promise<boolean>;
  /** Changes fields of a record that is not held in memory (a take), as it stands in the database. */
  readonly patch: <T extends Exclude<TableName, BookTable>>(
    label: string,
    table: T,
    id: string,
    fields: Partial<RecordOf<T>>,
  ) => Promise<boolean>;
  /** Writes a take with its picture; its number is given as it is written. */
  readonly logTake: (
    draft: TakeDraft,
    png?: Uint8Array<ArrayBuffer>,
    marks?: TakeMarksRecord,
  ) => Promise<TakeRecord | undefined>;
  /** @returns what was taken back; undefined when nothing was. */
  readonly undo: () => Promise<string | undefined>;
  readonly redo: () => Promise<string | undefined>;
  /** Puts a record in the place of one that could not be read, or takes it out; no step of undo. */
  readonly mend: (aside: SetAside, record: AnyRecord | undefined) => Promise<void>;
  readonly dismissProblem: () => void;
  /** Listens no more. Resolves when all that was asked for is written. */
  readonly close: () => Promise<void>;
};

/** What a step that logs a take is called. */
export const logLabel = (number: number): string => `Log take ${number}`;

export const openBook = (database: Database): Book => {
  const store = createStore<BookState>(() => ({
    ...NO_RECORDS,
    status: 'loading',
    setAside: [],
    unsaved: 0,
  }));
  const writing = createWriting(database, store);
  const { remember, undo, redo } = createHistory(store, writing);
  return Object.assign(store, {
    edit: async ({ label, changes }: Edit) =>
      (await remember(
        label,
        changes.flatMap((change) => patchOf(change) ?? []),
      )) !== undefined,
    patch: (async (label, table, id, fields) => {
      const set = Object.entries(fields).map(([field, after]) => ({
        path: [field] as const,
        before: undefined,
        after,
      }));
      return (await remember(label, [{ table, id, kind: 'fields', fields: set }])) !== undefined;
    }) satisfies Book['patch'],
    logTake: async (draft: TakeDraft, png?: Uint8Array<ArrayBuffer>, marks?: TakeMarksRecord) => {
      const { id } = draft;
      const patches: RecordPatch[] = [
        { table: 'takes', id, kind: 'put', record: { ...draft, number: 0 } as TakeRecord },
      ];
      if (png)
        patches.push({ table: 'thumbnails', id, kind: 'put', record: { id, png } as RecordOf<'thumbnails'> });
      if (marks) patches.push({ table: 'takeMarks', id, kind: 'put', record: marks });
      const written = await remember((made) => logLabel(takeIn(made).number), patches);
      return written && takeIn(written.done);
    },
    undo,
    redo,
    mend: writing.mend,
    dismissProblem: () => store.setState({ problem: undefined }),
    close: writing.close,
  });
};

/** The take among patches that log one. */
const takeIn = (patches: readonly RecordPatch[]): TakeRecord => {
  const found = patches.find(({ table, kind }) => table === 'takes' && kind === 'put');
  return (found as Extract<RecordPatch, { kind: 'put' }>).record as TakeRecord;
};
