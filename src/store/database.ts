import Dexie, { type Table } from 'dexie';
import { MIGRATIONS } from './migrations.ts';
import { TABLE_NAMES, type RecordOf, type TableName } from './tables.ts';

const DATABASE_NAME = 'candelum';

/** The records of this browser. A new database is filled with the demo shoot. */
export class Database extends Dexie {
  constructor(name = DATABASE_NAME, options: { readonly demo?: boolean } = {}) {
    super(name);
    for (const { version, stores, upgrade } of MIGRATIONS) {
      const defined = this.version(version).stores({ ...stores });
      if (upgrade) defined.upgrade(upgrade);
    }
    if (options.demo ?? true) {
      this.on('populate', async (transaction) => {
        // The demo is loaded where it is wanted; the transaction waits for it.
        const { demoRecords } = await Dexie.waitFor(import('./demo/index.ts'));
        const records = demoRecords();
        for (const name of TABLE_NAMES) {
          const rows = records[name];
          if (rows) await transaction.table(name).bulkAdd([...rows]);
        }
      });
    }
  }

  rows<T extends TableName>(name: T): Table<RecordOf<T>, string> {
    return this.table(name);
  }
}
