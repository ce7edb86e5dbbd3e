'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { TakeRecord } from '#store/records/take.ts';
import { takesOfShoot } from '#store/takes.ts';
import { useBench } from './BenchProvider.tsx';

/** Takes of the chosen shoot, newest first; undefined while they are read. */
export const useTakes = (): readonly TakeRecord[] | undefined => {
  const { database, selection } = useBench();
  return useLiveQuery(() => takesOfShoot(database, selection.shoot.id), [database, selection.shoot.id]);
};
