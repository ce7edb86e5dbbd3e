import { LATEST, type Database } from '../database.ts';
import { TABLE_NAMES, type TableName } from '../tables.ts';

/** Pictures are large and can be missed; everything typed is in the rest. */
const SAVED = TABLE_NAMES.filter((name) => name !== 'thumbnails' && name !== 'takeMarks');

/** Every record but the pictures, word for word as it is stored, readable or not. */
export const allRecordsJson = async (database: Database, now: Date): Promise<string> => {
  const tables: { [T in TableName]?: unknown[] } = {};
  for (const name of SAVED) tables[name] = await database.table<unknown>(name).toArray();
  const file = {
    format: 'candelum-records',
    version: 1,
    schema: LATEST,
    exportedAt: now.toISOString(),
    tables,
  };
  return `${JSON.stringify(file, null, 2)}\n`;
};
