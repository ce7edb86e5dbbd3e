'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { clipsOfShoot } from '#store/clips.ts';
import { useBench, useSelection } from '../hooks.ts';

const NONE = { clips: [], setAside: [], isRead: false } as const;

/** The clips of the chosen shoot as they stand in the records. */
export const useClips = () => {
  const { database } = useBench();
  const { id } = useSelection().shoot;
  return (
    useLiveQuery(async () => ({ ...(await clipsOfShoot(database, id)), isRead: true }), [database, id]) ??
    NONE
  );
};
