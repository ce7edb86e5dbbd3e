import type { Database } from './database.ts';
import { cameraTestSchema, type CameraTestRecord } from './records/cameraTest.ts';

/** Every test that is kept, the newest first; rows that cannot be read are left out, and stay. */
export const cameraTests = async (database: Database): Promise<readonly CameraTestRecord[]> => {
  const rows: unknown[] = await database.table('cameraTests').toArray();
  return rows
    .flatMap((row) => cameraTestSchema.safeParse(row).data ?? [])
    .toSorted((a, b) => b.at.localeCompare(a.at));
};

/** Keeps a test. @throws Dexie's and Zod's errors; nothing is written then. */
export const keepCameraTest = async (database: Database, record: CameraTestRecord): Promise<void> => {
  if (database.isNewer) throw new Error('the records are of a newer version and only read here');
  await database.table('cameraTests').put(cameraTestSchema.parse(record));
};

/** Takes a test away. @throws Dexie's errors. */
export const dropCameraTest = async (database: Database, id: string): Promise<void> => {
  if (database.isNewer) throw new Error('the records are of a newer version and only read here');
  await database.table('cameraTests').delete(id);
};
