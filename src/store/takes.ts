import type { Database } from './database.ts';
import type { TakeRecord } from './records/take.ts';

/** Takes of a shoot, newest first. */
export const takesOfShoot = async (database: Database, shootId: string): Promise<TakeRecord[]> => {
  const takes = await database.rows('takes').where('shootId').equals(shootId).toArray();
  return takes.sort((a, b) => (a.loggedAt < b.loggedAt ? 1 : -1));
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
