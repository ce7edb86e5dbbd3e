'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { TakeRecord } from '#store/records/take.ts';
import type { SetAside } from '#store/setAside.ts';
import { takesOfShoot } from '#store/takes.ts';
import { useBench, useSelection } from './hooks.ts';

type Takes = {
  /** Newest first; undefined while they are read. */
  readonly takes?: readonly TakeRecord[];
  readonly setAside: readonly SetAside[];
};
const UNREAD: Takes = { setAside: [] };

/** Takes of the chosen shoot, and those of it that cannot be read. */
export const useTakes = (): Takes => {
  const { database } = useBench();
  const { id } = useSelection().shoot;
  return useLiveQuery(() => takesOfShoot(database, id), [database, id], UNREAD);
};
