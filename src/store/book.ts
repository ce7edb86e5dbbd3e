import { liveQuery } from 'dexie';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Database } from './database.ts';
import { patchRecord, reversed, writeEdit, type Change, type Edit } from './edits.ts';
import { BOOK_TABLES, TABLES, type BookTable, type RecordOf, type TableName } from './tables.ts';

export type BookRecords = { readonly [T in BookTable]: ReadonlyMap<string, RecordOf<T>> };

export type BookState = BookRecords & {
  readonly status: 'loading' | 'ready' | 'failed';
  /** One sentence for the user when a read or write went wrong. */
  readonly problem?: string;
  readonly undoable?: string;
  readonly redoable?: string;
};

/**
 * The small records in memory, so that an edit shows within the same frame; written through to the database
 * behind it. Edits of other tabs come in by live query.
 */
export type Book = StoreApi<BookState> & {
  readonly edit: (edit: Edit) => Promise<boolean>;
  /** Changes fields of a record that is not held in memory (a take), as it stands in the database. */
  readonly patch: <T extends Exclude<TableName, BookTable>>(
    label: string,
    table: T,
    id: string,
    fields: Partial<RecordOf<T>>,
  ) => Promise<boolean>;
  readonly undo: () => Promise<string | undefined>;
  readonly redo: () => Promise<string | undefined>;
  readonly close: () => void;
};

const EMPTY: BookRecords = {
  shoots: new Map(),
  setups: new Map(),
  cameras: new Map(),
  profiles: new Map(),
  subjects: new Map(),
  plans: new Map(),
  ndSets: new Map(),
  lights: new Map(),
  gels: new Map(),
  monitors: new Map(),
  luts: new Map(),
};

const isBookTable = (name: string): name is BookTable => (BOOK_TABLES as readonly string[]).includes(name);

/** The records with an edit's changes made; takes and thumbnails are not held here. */
export const applyChanges = (records: BookRecords, changes: readonly Change[]): Partial<BookRecords> => {
  const touched: Partial<Record<BookTable, Map<string, unknown>>> = {};
  for (const { table, id, after } of changes) {
    if (!isBookTable(table)) continue;
    const map = (touched[table] ??= new Map<string, unknown>(records[table] as ReadonlyMap<string, unknown>));
    if (after === undefined) map.delete(id);
    else map.set(id, after);
  }
  return touched as Partial<BookRecords>;
};

const readAll = async (database: Database): Promise<{ records: BookRecords; refused: number }> => {
  let refused = 0;
  const entries = await Promise.all(
    BOOK_TABLES.map(async (name) => {
      const rows = await database.table(name).toArray();
      const good = rows.flatMap((row) => {
        const parsed = TABLES[name].safeParse(row);
        if (!parsed.success) refused += 1;
        return parsed.success ? [[parsed.data.id, parsed.data] as const] : [];
      });
      return [name, new Map<string, unknown>(good)] as const;
    }),
  );
  return { records: Object.fromEntries(entries) as unknown as BookRecords, refused };
};

const say = (error: unknown) =>
  error instanceof Error ? error.message.split('\n')[0].slice(0, 160) : String(error);

const notSaved = (label: string, error: unknown) =>
  `“${label}” was not saved: ${say(error)} What was there stays.`;

export const openBook = (database: Database): Book => {
  const store = createStore<BookState>(() => ({ ...EMPTY, status: 'loading' }));
  const done: Edit[] = [];
  const undone: Edit[] = [];
  let pending = 0;

  const offer = () => store.setState({ undoable: done.at(-1)?.label, redoable: undone.at(-1)?.label });

  const remember = (edit: Edit) => {
    done.push(edit);
    undone.length = 0;
    offer();
  };

  const subscription = liveQuery(() => readAll(database)).subscribe({
    next: ({ records, refused }) => {
      if (pending > 0) return;
      const problem =
        refused > 0
          ? `${refused} stored record(s) could not be read and are left as they are.`
          : store.getState().problem;
      store.setState({ ...records, status: 'ready', problem });
    },
    error: (error) =>
      store.setState({
        status: 'failed',
        problem: `The records in this browser cannot be opened: ${say(error)}`,
      }),
  });

  const write = async (edit: Edit): Promise<boolean> => {
    const before = store.getState();
    store.setState({ ...applyChanges(before, edit.changes), problem: undefined });
    pending += 1;
    try {
      await writeEdit(database, edit);
      return true;
    } catch (error) {
      store.setState({
        ...applyChanges(store.getState(), reversed(edit).changes),
        problem: notSaved(edit.label, error),
      });
      return false;
    } finally {
      pending -= 1;
    }
  };

  const step = async (from: Edit[], to: Edit[], turn: (edit: Edit) => Edit): Promise<string | undefined> => {
    const edit = from.pop();
    if (!edit) return undefined;
    to.push(edit);
    offer();
    if (await write(turn(edit))) return edit.label;
    to.pop();
    from.push(edit);
    offer();
    return undefined;
  };

  const patch: Book['patch'] = async (label, table, id, fields) => {
    try {
      const change = await patchRecord(database, table, id, fields);
      if (!change) return false;
      remember({ label, changes: [change as Change] });
      return true;
    } catch (error) {
      store.setState({ problem: notSaved(label, error) });
      return false;
    }
  };

  return Object.assign(store, {
    edit: async (edit: Edit) => {
      remember(edit);
      if (await write(edit)) return true;
      done.splice(done.indexOf(edit), 1);
      offer();
      return false;
    },
    patch,
    undo: () => step(done, undone, reversed),
    redo: () => step(undone, done, (edit) => edit),
    close: () => subscription.unsubscribe(),
  });
};
