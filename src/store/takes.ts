import type { Database } from './database.ts';
import type { TakeRecord } from './records/take.ts';
import { readRows, type SetAside } from './setAside.ts';

/** Takes of a shoot, newest first, and what is stored among them and cannot be read. */
export const takesOfShoot = async (
  database: Database,
  shootId: string,
): Promise<{ readonly takes: readonly TakeRecord[]; readonly setAside: readonly SetAside[] }> => {
  const rows: unknown[] = await database.table('takes').where('shootId').equals(shootId).toArray();
  const { good, setAside } = readRows('takes', rows);
  return { takes: good.toSorted((a, b) => (a.loggedAt < b.loggedAt ? 1 : -1)), setAside };
};

/** So many takes of a shoot, the newest first, that can be read. */
export const latestTakes = async (
  database: Database,
  shootId: string,
  most: number,
): Promise<readonly TakeRecord[]> => {
  const rows: unknown[] = await database
    .table('takes')
    .where('[shootId+loggedAt]')
    .between([shootId, ''], [shootId, '\uffff'])
    .reverse()
    .limit(most)
    .toArray();
  return readRows('takes', rows).good;
};

/** One take; undefined where there is none, or none that can be read. */
export const takeOf = async (database: Database, id: string): Promise<TakeRecord | undefined> => {
  const row: unknown = await database.table<unknown, string>('takes').get(id);
  return row === undefined ? undefined : readRows('takes', [row]).good[0];
};

/** One more than the highest number so far of this set-up and camera. */
export const nextTakeNumber = async (
  database: Database,
  setupId: string,
  cameraId: string,
): Promise<number> => {
  const takes = await database
    .rows('takes')
    .where('[setupId+cameraId]')
    .equals([setupId, cameraId])
    .toArray();
  return takes.reduce((highest, take) => Math.max(highest, take.number), 0) + 1;
};
