'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { TakeRecord } from '#store/records/take.ts';
import { takesOfShoot } from '#store/takes.ts';
import { useBench, useSelection } from './hooks.ts';

/** Takes of the chosen shoot, newest first; undefined while they are read. */
export const useTakes = (): readonly TakeRecord[] | undefined => {
  const { database } = useBench();
  const { id } = useSelection().shoot;
  return useLiveQuery(() => takesOfShoot(database, id), [database, id]);
};
