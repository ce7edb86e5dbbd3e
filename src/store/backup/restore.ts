import { dequal } from 'dequal';
import type { Database } from '../database.ts';
import type { Change, Edit } from '../edits.ts';
import type { AnyRecord } from '../patches.ts';
import { readRows } from '../setAside.ts';
import { TABLE_NAMES, type TableName } from '../tables.ts';
import type { Backup } from './readBackup.ts';

/** How a file stands to what is stored, table by table. */
export type Comparison = {
  readonly table: TableName;
  /** In the file alone. */
  readonly fresh: readonly AnyRecord[];
  readonly same: number;
  /** In both, and not alike. */
  readonly differing: readonly { readonly mine: AnyRecord; readonly theirs: AnyRecord }[];
  /** Stored alone. */
  readonly own: readonly AnyRecord[];
};

/**
 * What becomes of records: what is new comes in; where both differ `mine` stays or `theirs` is taken; `replace`
 * also takes out what the file does not hold.
 */
export type RestoreMode = 'mine' | 'theirs' | 'replace';

/** What a file would bring, what differs, what it does not hold. Nothing is written. */
export const compareBackup = async (database: Database, { records }: Backup): Promise<Comparison[]> => {
  const found: Comparison[] = [];
  for (const table of TABLE_NAMES) {
    const stored = readRows(table, await database.table<unknown>(table).toArray())
      .good as readonly AnyRecord[];
    const here = new Map(stored.map((row) => [row.id, row]));
    const fresh: AnyRecord[] = [];
    const differing: { mine: AnyRecord; theirs: AnyRecord }[] = [];
    let same = 0;
    for (const theirs of (records[table] ?? []) as readonly AnyRecord[]) {
      const mine = here.get(theirs.id);
      here.delete(theirs.id);
      if (!mine) fresh.push(theirs);
      else if (dequal(mine, theirs)) same += 1;
      else differing.push({ mine, theirs });
    }
    found.push({ table, fresh, same, differing, own: [...here.values()] });
  }
  return found;
};

/** The one step that restores, to be undone as one. */
export const restoreEdit = (what: string, comparison: readonly Comparison[], mode: RestoreMode): Edit => ({
  label: `Restore ${what}`,
  changes: comparison.flatMap(({ table, fresh, differing, own }): Change[] => {
    const changes = fresh.map((after) => ({ table, id: after.id, after }));
    const taken =
      mode === 'mine'
        ? []
        : differing.map(({ mine, theirs }) => ({ table, id: mine.id, before: mine, after: theirs }));
    const gone = mode === 'replace' ? own.map((before) => ({ table, id: before.id, before })) : [];
    return [...changes, ...taken, ...gone] as Change[];
  }),
});
