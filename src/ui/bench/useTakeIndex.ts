'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { useStore } from 'zustand';
import { zoneOf } from '#core/day/clock.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { Database } from '#store/database.ts';
import { createTakeIndex, UNREAD_LOG, type TakeIndex, type TakeIndexState } from '#store/takeIndex.ts';
import { takeOf } from '#store/takes.ts';
import { useBench, useSelection } from './hooks.ts';

const indexes = new WeakMap<Database, TakeIndex>();

/** One for the records of a window, made when a log is first looked at. */
const indexOf = (database: Database): TakeIndex => {
  const index = indexes.get(database) ?? createTakeIndex(database);
  indexes.set(database, index);
  return index;
};

/** The log of the chosen shoot, kept up with what is written. */
export const useTakeIndex = (): TakeIndexState => {
  const takes = indexOf(useBench().database);
  const { id, sun } = useSelection().shoot;
  const zone = sun && zoneOf(sun.clock);
  useEffect(() => takes.open(id, zone), [takes, id, zone]);
  const state = useStore(takes);
  // Until it is opened, the log of the shoot before is none of this one.
  return state.shootId === id || state.problem !== undefined ? state : UNREAD_LOG;
};

/** A whole take, as it stands in the records; undefined while it is read, or where it is gone. */
export const useTake = (id: string): TakeRecord | undefined => {
  const { database } = useBench();
  return useLiveQuery(() => takeOf(database, id), [database, id]);
};
