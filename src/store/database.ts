import Dexie, { type Table } from 'dexie';
import { MIGRATIONS } from './migrations.ts';
import { TABLE_NAMES, type RecordOf, type TableName } from './tables.ts';

const DATABASE_NAME = 'candelum';

/** The schema version of this app. */
export const LATEST = Math.max(...MIGRATIONS.map(({ version }) => version));

/** What a new database begins with, by table. */
export type FirstRows = { readonly [T in TableName]?: readonly RecordOf<T>[] };

/** The records of this browser. A new database is filled with the demo shoot. */
export class Database extends Dexie {
  constructor(name = DATABASE_NAME, options: { readonly demo?: boolean } = {}) {
    super(name);
    for (const { version, stores, upgrade } of MIGRATIONS) {
      const defined = this.version(version).stores({ ...stores });
      if (upgrade) defined.upgrade(upgrade);
    }
    this.on('populate', () => {
      this.isNew = true;
    });
    if (options.demo ?? true) {
      this.on('populate', async (transaction) => {
        // The demo is loaded where it is wanted; the transaction waits for it.
        const { demoRecords } = await Dexie.waitFor(import('./demo/index.ts'));
        const records = demoRecords();
        this.onFilling?.(records);
        for (const name of TABLE_NAMES) {
          const rows = records[name];
          if (rows) await transaction.table(name).bulkAdd([...rows]);
        }
      });
    }
  }

  /** Nothing was stored here before. */
  isNew = false;
  /** Told what a new database is being filled with, before it is stored. */
  onFilling?: (rows: FirstRows) => void;
  /** Written by a newer version of the app: it is read as far as it is understood, and nothing is written. */
  isNewer = false;

  /** Opens the records; those of a newer version for reading alone. @throws Dexie's errors where they do not open. */
  async openOrRead(): Promise<void> {
    if (!this.isOpen()) await this.open();
    // Dexie opens what a later version left, and counts versions in tens.
    this.isNewer = Math.floor(this.backendDB().version / 10) > LATEST;
  }

  rows<T extends TableName>(name: T): Table<RecordOf<T>, string> {
    return this.table(name);
  }
}
