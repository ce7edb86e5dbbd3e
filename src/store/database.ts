import Dexie, { type Table } from 'dexie';
import { MIGRATIONS } from './migrations.ts';
import { TABLE_NAMES, type RecordOf, type TableName } from './tables.ts';

const DATABASE_NAME = 'candelum';

/** The schema version of this app. */
export const LATEST = Math.max(...MIGRATIONS.map(({ version }) => version));

/** What a new database begins with, by table. */
export type FirstRows = { readonly [T in TableName]?: readonly RecordOf<T>[] };

type Options = {
  /** A new database is filled with the demo shoot. */
  readonly demo?: boolean;
  /** It will be new as far as is known: `onFilling` is told what it begins with before it opens. */
  readonly isForeseen?: boolean;
};

/** The records of this browser. A new database is filled with the demo shoot. */
export class Database extends Dexie {
  constructor(name = DATABASE_NAME, { demo = true, isForeseen = false }: Options = {}) {
    super(name);
    for (const { version, stores, upgrade } of MIGRATIONS) {
      const defined = this.version(version).stores({ ...stores });
      if (upgrade) defined.upgrade(upgrade);
    }
    this.on('populate', () => {
      this.isNew = true;
    });
    if (demo) {
      const load = async () => (await import('./demo/index.ts')).demoRecords();
      // A browser takes longer over a new database than over the demo: it is shown before there is one.
      const foreseen = isForeseen ? load() : undefined;
      foreseen?.then(
        (records) => this.isSettled || this.onFilling?.(records),
        () => undefined,
      );
      this.on('populate', async (transaction) => {
        // The demo is loaded where it is wanted; the transaction waits for it.
        const records = await Dexie.waitFor(foreseen ?? load());
        if (!foreseen) this.onFilling?.(records);
        for (const name of TABLE_NAMES) {
          const rows = records[name];
          if (rows) await transaction.table(name).bulkAdd([...rows]);
        }
      });
    }
  }

  /** It was opened or has refused to be: nothing is foreseen any more. */
  private isSettled = false;
  /** Nothing was stored here before. */
  isNew = false;
  /** Told what a new database is being filled with, before it is stored. */
  onFilling?: (rows: FirstRows) => void;
  /** Written by a newer version of the app: it is read as far as it is understood, and nothing is written. */
  isNewer = false;

  /** Opens the records; those of a newer version for reading alone. @throws Dexie's errors where they do not open. */
  async openOrRead(): Promise<void> {
    try {
      if (!this.isOpen()) await this.open();
    } finally {
      this.isSettled = true;
    }
    // Dexie opens what a later version left, and counts versions in tens.
    this.isNewer = Math.floor(this.backendDB().version / 10) > LATEST;
  }

  rows<T extends TableName>(name: T): Table<RecordOf<T>, string> {
    return this.table(name);
  }
}
