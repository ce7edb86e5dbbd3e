import Dexie from 'dexie';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Database } from './database.ts';
import { isBuiltIn } from './builtIn.ts';
import { checkedRecord, writePatches, type Edit, type Written } from './edits.ts';
import { NO_RECORDS, readRecords, reusing, withPatches, withStored, type BookRecords } from './mirror.ts';
import { inversePatches, patchOf, type RecordPatch } from './patches.ts';
import type { TakeRecord } from './records/take.ts';
import { BOOK_TABLES, type BookTable, type RecordOf, type TableName } from './tables.ts';
import { failureWords, placesOf } from './words.ts';

export type { BookRecords } from './mirror.ts';

export type BookState = BookRecords & {
  readonly status: 'loading' | 'ready' | 'failed';
  /** One sentence about the last write that did not go as it was meant. */
  readonly problem?: string;
  /** One sentence about records that are stored and cannot be read. */
  readonly unreadable?: string;
  readonly undoable?: string;
  readonly redoable?: string;
};

/** A take before it has its number. */
export type TakeDraft = Omit<TakeRecord, 'number'>;

/**
 * The small records in memory, so that an edit shows within the same frame; written behind it, one write after the other. What is
 * shown is always what the database held when it was last read, with the edits that still wait to be written on top.
 */
export type Book = StoreApi<BookState> & {
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
  readonly logTake: (draft: TakeDraft, png?: Uint8Array<ArrayBuffer>) => Promise<TakeRecord | undefined>;
  /** @returns what was taken back; undefined when nothing was. */
  readonly undo: () => Promise<string | undefined>;
  readonly redo: () => Promise<string | undefined>;
  readonly dismissProblem: () => void;
  /** Listens no more. Resolves when all that was asked for is written. */
  readonly close: () => Promise<void>;
};

/** Steps that can be undone. */
export const MOST_STEPS = 200;

/** What a step that logs a take is called. */
export const logLabel = (number: number): string => `Log take ${number}`;

/** A step of work, from when it shows. */
type Step = {
  label: string;
  /** What the last turn of it did to what is shown, and, once that is known, to the database. */
  shown: readonly RecordPatch[];
  made?: readonly RecordPatch[];
  /** Whether the database holds it. */
  holds: boolean;
  /** Turns of it that wait to be written. */
  asked: number;
  /** Undone, and an edit since has made an end of redo, or waits to. */
  aside?: boolean;
  /** Refused, or nothing of it can be turned any more. */
  dead?: boolean;
};

type Wish = { readonly patches: readonly RecordPatch[]; readonly guarded: boolean };

const notDone = (label: string, verb: string, error: unknown) =>
  `“${label}” was not ${verb}: ${failureWords(error)}. What was there stays.`;

const touchesBook = ({ table }: RecordPatch) => (BOOK_TABLES as readonly string[]).includes(table);

export const openBook = (database: Database): Book => {
  const store = createStore<BookState>(() => ({ ...NO_RECORDS, status: 'loading' }));
  let base: BookRecords = NO_RECORDS;
  /** Shown and not written yet, in order. */
  const waiting: Wish[] = [];
  let queue: Promise<unknown> = Promise.resolve();
  let closed = false;
  const bookParts = BOOK_TABLES.map((table) => `idb://${database.name}/${table}/`);
  const done: Step[] = [];
  const undone: Step[] = [];

  const offer = () => store.setState({ undoable: done.at(-1)?.label, redoable: undone.at(-1)?.label });

  const without = (steps: Step[], step: Step) => {
    if (steps.includes(step)) steps.splice(steps.indexOf(step), 1);
  };
  /** A step stands where its last turn put it, unless that turn was refused. */
  const settle = (step: Step) => {
    step.asked -= 1;
    if (step.asked > 0) return;
    const [right, wrong] = step.holds ? [done, undone] : [undone, done];
    without(wrong, step);
    if (step.dead) without(right, step);
    else if (!right.includes(step) && !(step.aside && !step.holds)) right.push(step);
  };

  const show = (more: Partial<BookState> = {}) =>
    store.setState({
      ...waiting.reduce((records, wish) => withPatches(records, wish.patches, wish).records, base),
      ...more,
    });

  const inTurn = <T>(job: () => Promise<T>): Promise<T> => {
    const mine = queue.then(job);
    queue = mine.catch(() => undefined);
    return mine;
  };

  /** Reads what the database holds. */
  const readAgain = async (): Promise<void> => {
    const { records, unreadable } = await readRecords(database);
    base = reusing(base, records);
    const sentence =
      unreadable > 0 ? `${unreadable} stored records cannot be read and are left as they are.` : undefined;
    show({ status: 'ready', unreadable: sentence });
  };

  let asked = false;
  /** Reads again once what waits is written; however often it is asked for meanwhile, once. */
  const refresh = () => {
    if (asked || closed) return;
    asked = true;
    void inTurn(async () => {
      asked = false;
      if (!closed) await readAgain();
    }).catch((error: unknown) => {
      if (closed || store.getState().status === 'ready') return;
      store.setState({
        status: 'failed',
        problem: `The records in this browser cannot be opened: ${failureWords(error)}.`,
      });
    });
  };
  /** Whether a write of this window is on its way: the news of it is no news. */
  let isOwn = false;
  // Tells of every write to the database, of this window and of others; once for each transaction, when it is complete.
  const onMutated = (parts: Readonly<Record<string, unknown>>) => {
    if (!Object.keys(parts).some((part) => bookParts.some((mine) => part.startsWith(mine)))) return;
    // News of another window may come first: then it is the own one that has all read again.
    if (isOwn) isOwn = false;
    else refresh();
  };
  Dexie.on('storagemutated', onMutated);
  refresh();

  /**
   * Shows a wish at once and writes it when its turn comes. `meant` may change its mind by then: undefined writes nothing.
   * @returns what was written, or undefined when nothing was; a failure is told and memory read again.
   */
  const write = (
    shown: Wish,
    words: { readonly label: string; readonly verb: string },
    meant: () => Wish | undefined = () => shown,
  ): Promise<Written | undefined> => {
    waiting.push(shown);
    show();
    const leave = () => waiting.splice(waiting.indexOf(shown), 1);
    const run = async (): Promise<Written | undefined> => {
      const wish = meant();
      if (!wish) {
        leave();
        show();
        return undefined;
      }
      isOwn = wish.patches.some(touchesBook);
      try {
        const written = await writePatches(database, wish.patches, wish);
        base = withStored(base, written.stored);
        leave();
        show({ problem: undefined });
        return written;
      } catch (error) {
        leave();
        show({ problem: notDone(words.label, words.verb, error) });
        await readAgain().catch(() => undefined);
        return undefined;
      } finally {
        isOwn = false;
      }
    };
    return inTurn(run);
  };

  /** Why what would be shown cannot be; a write that does not show is checked when it is written. */
  const refusalOf = (label: string, patches: readonly RecordPatch[]): string | undefined => {
    const { records } = withPatches(store.getState(), patches, { guarded: false });
    try {
      for (const { table, id } of patches.filter(touchesBook)) {
        const record = records[table as BookTable].get(id);
        if (record && !isBuiltIn(table, id)) checkedRecord(table, record);
      }
      return undefined;
    } catch (error) {
      return notDone(label, 'saved', error);
    }
  };

  const remember = async (
    label: string | ((made: readonly RecordPatch[]) => string),
    patches: readonly RecordPatch[],
  ): Promise<Written | undefined> => {
    const named = typeof label === 'string' ? label : label(patches);
    const problem = refusalOf(named, patches);
    if (problem) {
      store.setState({ problem });
      return undefined;
    }
    const wish = { patches, guarded: false };
    const { done: shown } = withPatches(store.getState(), patches, wish);
    const step: Step = { label: named, shown, holds: true, asked: 1 };
    // What changes nothing that is shown is no step, unless it turns out to be one.
    const isStep = shown.length > 0 || !patches.every(touchesBook);
    const aside = isStep ? undone.splice(0) : [];
    aside.forEach((one) => (one.aside = true));
    if (isStep) done.push(step);
    if (done.length > MOST_STEPS) done.shift();
    offer();
    const written = await write(wish, { label: named, verb: 'saved' });
    if (written && written.done.length > 0) {
      step.made = written.done;
      if (typeof label !== 'string') step.label = label(written.done);
      if (!isStep) undone.length = 0;
    } else {
      step.dead = true;
      aside.forEach((one) => (one.aside = false));
      undone.unshift(...aside.filter(({ holds, dead }) => !holds && !dead));
    }
    settle(step);
    offer();
    return written;
  };

  const tellKept = (label: string, verb: string, { done: made, kept }: Written) => {
    if (kept.length === 0) return;
    const places = placesOf(kept);
    store.setState({
      problem:
        made.length > 0
          ? `“${label}” is ${verb}, but for ${places}: it was changed since and stays.`
          : `“${label}” is not ${verb}: ${places} was changed since and stays.`,
    });
  };

  const turn = async (from: Step[], to: Step[], verb: 'undone' | 'redone'): Promise<string | undefined> => {
    const step = from.pop();
    if (!step) return undefined;
    step.asked += 1;
    const shown: Wish = { patches: inversePatches(step.shown), guarded: true };
    step.shown = withPatches(store.getState(), shown.patches, shown).done;
    // Where somebody has changed all of it since, there is nothing to turn back again.
    if (step.shown.length > 0 || !shown.patches.every(touchesBook)) to.push(step);
    offer();
    const meant = (): Wish | undefined =>
      step.made && !step.dead && step.holds === (verb === 'undone')
        ? { patches: inversePatches(step.made), guarded: true }
        : undefined;
    const written = await write(shown, { label: step.label, verb }, meant);
    if (written) {
      step.holds = verb === 'redone';
      step.made = written.done;
      if (written.done.length === 0) step.dead = true;
      tellKept(step.label, verb, written);
    }
    settle(step);
    offer();
    return written && written.done.length > 0 ? step.label : undefined;
  };

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
    logTake: async (draft: TakeDraft, png?: Uint8Array<ArrayBuffer>) => {
      const { id } = draft;
      const patches: RecordPatch[] = [
        { table: 'takes', id, kind: 'put', record: { ...draft, number: 0 } as TakeRecord },
      ];
      if (png)
        patches.push({ table: 'thumbnails', id, kind: 'put', record: { id, png } as RecordOf<'thumbnails'> });
      const written = await remember((made) => logLabel(takeIn(made).number), patches);
      return written && takeIn(written.done);
    },
    undo: () => turn(done, undone, 'undone'),
    redo: () => turn(undone, done, 'redone'),
    dismissProblem: () => store.setState({ problem: undefined }),
    close: () => {
      closed = true;
      Dexie.on.storagemutated.unsubscribe(onMutated);
      return queue.then(() => undefined);
    },
  });
};

/** The take among patches that log one. */
const takeIn = (patches: readonly RecordPatch[]): TakeRecord => {
  const found = patches.find(({ table, kind }) => table === 'takes' && kind === 'put');
  return (found as Extract<RecordPatch, { kind: 'put' }>).record as TakeRecord;
};
