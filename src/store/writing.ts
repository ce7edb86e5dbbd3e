import Dexie from 'dexie';
import type { BookStore, BookState } from './bookState.ts';
import type { Database } from './database.ts';
import { writePatches, type Written } from './edits.ts';
import {
  NO_RECORDS,
  readRecords,
  recordsOfOurs,
  reusing,
  withPatches,
  withStored,
  type BookRecords,
} from './mirror.ts';
import type { AnyRecord, RecordPatch } from './patches.ts';
import { replaceSetAside, type SetAside } from './setAside.ts';
import { BOOK_TABLES } from './tables.ts';
import { failureWords, HELD_WORDS, openingWords } from './words.ts';

/** Longer than this and the user is told that the records do not open. */
const SLOW_MS = 2500;

/** Records that did open are no longer told not to. */
const settled = ({ status }: BookState): Partial<BookState> =>
  status === 'failed' ? { problem: undefined } : {};

/** Patches that show and wait to be written; guarded ones leave alone what was changed since. */
export type PendingWrite = { readonly patches: readonly RecordPatch[]; readonly guarded: boolean };

export const notDone = (label: string, verb: string, error: unknown): string =>
  `“${label}” was not ${verb}: ${failureWords(error)}. What was there stays.`;

/** Whether a patch is of a record that the book shows. */
export const touchesBook = ({ table }: RecordPatch): boolean =>
  (BOOK_TABLES as readonly string[]).includes(table);

/**
 * One write after the other, in the order in which they were asked for. The store shows what the database
 * held when it was last read, with the writes that still wait on top; what other windows write is read again.
 */
export const createWriting = (database: Database, store: BookStore) => {
  let base: BookRecords = NO_RECORDS;
  /** Shown and not written yet, in order. */
  const waiting: PendingWrite[] = [];
  let queue: Promise<unknown> = Promise.resolve();
  let closed = false;
  const bookParts = BOOK_TABLES.map((table) => `idb://${database.name}/${table}/`);

  const show = (more: Partial<BookState> = {}) =>
    store.setState({
      ...waiting.reduce((records, pending) => withPatches(records, pending.patches, pending).records, base),
      unsaved: waiting.length,
      ...more,
    });

  const inTurn = <T>(job: () => Promise<T>): Promise<T> => {
    const mine = queue.then(job);
    queue = mine.catch(() => undefined);
    return mine;
  };

  /** Reads what the database holds. */
  const readAgain = async (): Promise<void> => {
    await database.openOrRead();
    const { records, setAside } = await readRecords(database);
    base = reusing(base, records);
    show({
      status: 'ready',
      isFilling: false,
      setAside,
      isReadOnly: database.isNewer,
      ...settled(store.getState()),
    });
  };
  // A first visit does not wait for the demo to be stored.
  database.onFilling = (rows) => {
    if (closed) return;
    base = recordsOfOurs(rows);
    show({ status: 'ready', isFilling: true, ...settled(store.getState()) });
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
      const { status, isFilling } = store.getState();
      if (closed || (status === 'ready' && !isFilling)) return;
      base = NO_RECORDS;
      show({ status: 'failed', isFilling: false, problem: openingWords(error) });
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
  // Another window may keep them from opening for ever; should they open yet, they are shown.
  const slow = setTimeout(() => {
    const { status, isFilling } = store.getState();
    const isForeseen = isFilling === true && !database.isNew;
    if (status === 'loading' || isForeseen)
      store.setState({ status: 'failed', isFilling: false, problem: HELD_WORDS });
  }, SLOW_MS);
  refresh();

  /**
   * Shows a write at once and does it when its turn comes. `meant` may change its mind by then: undefined
   * writes nothing.
   * @returns what was written, or undefined when nothing was; a failure is told and memory read again.
   */
  const write = (
    shown: PendingWrite,
    words: { readonly label: string; readonly verb: string },
    meant: () => PendingWrite | undefined = () => shown,
  ): Promise<Written | undefined> => {
    waiting.push(shown);
    show();
    const leave = () => waiting.splice(waiting.indexOf(shown), 1);
    const run = async (): Promise<Written | undefined> => {
      const pending = meant();
      if (!pending) {
        leave();
        show();
        return undefined;
      }
      isOwn = pending.patches.some(touchesBook);
      try {
        const written = await writePatches(database, pending.patches, pending);
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

  return {
    write,
    /** @throws Refusal where the record can be read by now. */
    mend: (aside: SetAside, record: AnyRecord | undefined): Promise<void> =>
      inTurn(async () => {
        await replaceSetAside(database, aside, record);
        await readAgain();
      }),
    /** Listens no more. Resolves when all that was asked for is written. */
    close: (): Promise<void> => {
      closed = true;
      clearTimeout(slow);
      Dexie.on.storagemutated.unsubscribe(onMutated);
      return queue.then(() => undefined);
    },
  };
};

export type Writing = ReturnType<typeof createWriting>;
