import Dexie, { type IntervalTree, type ObservabilitySet } from 'dexie';
import { createStore } from 'zustand/vanilla';
import type { Database } from './database.ts';
import { readRows, type SetAside } from './setAside.ts';
import type { TakeFacts } from './takeFacts.ts';
import { failureWords } from './words.ts';

export type TakeIndexState = {
  /** Whose log it is; undefined while none is open. */
  readonly shootId?: string;
  /** Newest first; grows while the log is read. */
  readonly facts: readonly TakeFacts[];
  /** How many takes there are, read or not; undefined until they are counted. */
  readonly count?: number;
  readonly isComplete: boolean;
  /** Takes of this shoot that cannot be read. */
  readonly setAside: readonly SetAside[];
  /** Why the log could not be read. */
  readonly problem?: string;
};

export const UNREAD_LOG: TakeIndexState = { facts: [], isComplete: false, setAside: [] };

/** The first screen of lines; then larger parts, each short enough that nothing waits for it. */
const FIRST_PART = 30;
const PART = 150;
/** Between two showings of a log that is still being read, takes. */
const SHOW_EVERY = 1500;

type Shoot = { readonly id: string; readonly zone?: string };
type Read = { readonly facts: TakeFacts } | { readonly setAside: SetAside };

const newestFirst = (database: Database, shootId: string) =>
  database
    .table<unknown, string>('takes')
    .where('[shootId+loggedAt]')
    .between([shootId, Dexie.minKey], [shootId, Dexie.maxKey])
    .reverse();

/** Ids of a shoot's takes, newest first; those without a time they can be sorted by come last. */
const idsOf = async (database: Database, shootId: string): Promise<string[]> => {
  const sorted = await newestFirst(database, shootId).primaryKeys();
  const all = database.table<unknown, string>('takes').where('shootId').equals(shootId);
  if ((await all.count()) === sorted.length) return sorted;
  const known = new Set(sorted);
  return [...sorted, ...(await all.primaryKeys()).filter((id) => !known.has(id))];
};

/** The keys of a set that holds single ones only; undefined where it holds a span. */
const singleKeys = (tree: IntervalTree | null | undefined): string[] | undefined => {
  if (!tree || !('from' in tree)) return [];
  if (typeof tree.from !== 'string' || tree.from !== tree.to) return undefined;
  const [left, right] = [singleKeys(tree.l), singleKeys(tree.r)];
  return left && right && [...left, tree.from, ...right];
};

const nextTask = () => new Promise((resolve) => setTimeout(resolve));

/**
 * The log of one shoot, light enough to be held whole: read in parts, newest first, then kept up with what this
 * window and others write. Whole takes are asked for by their id.
 */
export const createTakeIndex = (database: Database) => {
  const store = createStore<TakeIndexState>(() => UNREAD_LOG);
  let shoot: Shoot | undefined;
  let ids: string[] = [];
  const read = new Map<string, Read>();
  let queue: Promise<unknown> = Promise.resolve();

  const show = ({ isComplete = true, isCounted = true } = {}) => {
    const shown = ids.flatMap((id) => read.get(id) ?? []);
    store.setState({
      shootId: shoot?.id,
      facts: shown.flatMap((one) => ('facts' in one ? one.facts : [])),
      setAside: shown.flatMap((one) => ('setAside' in one ? one.setAside : [])),
      count: isCounted ? ids.length : undefined,
      isComplete,
      problem: undefined,
    });
  };

  /** Reads takes into the index. @returns ids that are no longer there, or belong to another shoot. */
  const readPart = async (part: readonly string[], { id: shootId, zone }: Shoot): Promise<string[]> => {
    // Asked for with the first log that is opened: what a take is searched by brings the calendar along.
    const { factsOf } = await import('./takeFacts.ts');
    const rows = await database.table<unknown, string>('takes').bulkGet([...part]);
    return part.filter((id, i) => {
      const row = rows[i] as { readonly shootId?: unknown } | undefined;
      if (row?.shootId !== shootId) {
        read.delete(id);
        return true;
      }
      const { good, setAside } = readRows('takes', [row]);
      read.set(id, good[0] ? { facts: factsOf(good[0], zone) } : { setAside: setAside[0] });
      return false;
    });
  };

  const readAll = async (wanted: Shoot) => {
    read.clear();
    ids = await newestFirst(database, wanted.id).limit(FIRST_PART).primaryKeys();
    await readPart(ids, wanted);
    if (wanted === shoot) show({ isComplete: false, isCounted: false });
    ids = await idsOf(database, wanted.id);
    const unread = ids.filter((id) => !read.has(id));
    let shown = 0;
    for (let at = 0; at < unread.length && wanted === shoot; at += PART) {
      await readPart(unread.slice(at, at + PART), wanted);
      if (at - shown >= SHOW_EVERY) {
        shown = at;
        show({ isComplete: false });
      }
      await nextTask();
    }
    if (wanted === shoot) show();
  };

  const readChanged = async (changed: readonly string[], wanted: Shoot) => {
    const gone = new Set(await readPart(changed, wanted));
    const known = new Set(ids);
    const fresh = changed.filter((id) => !known.has(id) && !gone.has(id));
    const timeOf = (id: string) => {
      const one = read.get(id);
      return one && 'facts' in one ? one.facts.loggedAt : '';
    };
    ids = ids.filter((id) => !gone.has(id));
    for (const id of fresh) {
      const at = ids.findIndex((other) => timeOf(other) <= timeOf(id));
      ids.splice(at < 0 ? ids.length : at, 0, id);
    }
    show();
  };

  const inTurn = (job: (wanted: Shoot) => Promise<void>) => {
    const wanted = shoot;
    if (!wanted) return;
    queue = queue
      .then(() => (wanted === shoot ? job(wanted) : undefined))
      .catch((error: unknown) => {
        if (wanted === shoot) store.setState({ isComplete: true, problem: failureWords(error) });
      });
  };

  const takes = `idb://${database.name}/takes/`;
  const onMutated = (parts: ObservabilitySet) => {
    const changed = parts[takes];
    if (!changed) return;
    const ids = singleKeys(changed);
    inTurn(ids ? (wanted) => readChanged(ids, wanted) : readAll);
  };
  Dexie.on('storagemutated', onMutated);

  return Object.assign(store, {
    /** Reads the log of a shoot; the same one again does nothing. @param zone Clock of the shoot. */
    open: (id: string, zone?: string) => {
      if (shoot?.id === id && shoot.zone === zone) return;
      shoot = { id, zone };
      store.setState(UNREAD_LOG, true);
      inTurn(readAll);
    },
    /** Listens no more. */
    close: () => {
      shoot = undefined;
      Dexie.on.storagemutated.unsubscribe(
        onMutated as Parameters<typeof Dexie.on.storagemutated.unsubscribe>[0],
      );
    },
  });
};

export type TakeIndex = ReturnType<typeof createTakeIndex>;
