import type { Transaction } from 'dexie';

/** A version of the database: what is indexed, and how records of the version before become its own. */
export type Migration = {
  readonly version: number;
  readonly stores: Readonly<Record<string, string | null>>;
  readonly upgrade?: (transaction: Transaction) => Promise<void>;
};

/** Numbered and never changed once landed; each has a frozen fixture in fixtures/. */
export const MIGRATIONS: readonly Migration[] = [
  {
    version: 1,
    stores: {
      shoots: 'id, order',
      setups: 'id, shootId, order',
      cameras: 'id',
      profiles: 'id',
      subjects: 'id, shootId',
      plans: 'id, setupId, cameraId',
      takes: 'id, shootId, setupId, loggedAt, [setupId+cameraId]',
      thumbnails: 'id',
    },
  },
];
