import type { Database } from './database.ts';
import { practiceSchema, type PracticeRecord } from './records/practice.ts';

/** What somebody practised, oldest first; rows that cannot be read are left out, and stay. */
export const practiceOf = async (database: Database, person: string): Promise<readonly PracticeRecord[]> => {
  const rows: unknown[] = await database
    .table('practice')
    .where('[person+at]')
    .between([person, ''], [person, '\uffff'])
    .toArray();
  return rows.flatMap((row) => practiceSchema.safeParse(row).data ?? []);
};

/** Everybody who has practised here, by name. */
export const peopleOf = async (database: Database): Promise<readonly string[]> =>
  (await database.table('practice').orderBy('person').uniqueKeys()).map(String);

/** Keeps one result. @throws Dexie's and Zod's errors; nothing is written then. */
export const keepPractice = async (database: Database, record: PracticeRecord): Promise<void> => {
  if (database.isNewer) throw new Error('the records are of a newer version and only read here');
  await database.table('practice').put(practiceSchema.parse(record));
};
