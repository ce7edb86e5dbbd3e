'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { TakeRecord } from '#store/records/take.ts';
import { setupsOf } from '#store/selection.ts';
import { takeOf } from '#store/takes.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';

const NONE: ReadonlyMap<string, TakeRecord> = new Map();

/** Takes that were chosen as heroes of this shoot's set-ups, by their ids. */
export const useHeroTakes = (): ReadonlyMap<string, TakeRecord> => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const ids = setupsOf(records, shoot.id)
    .flatMap(({ heroTakeId }) => heroTakeId ?? [])
    .join(' ');
  const found = useLiveQuery(async () => {
    const takes = await Promise.all(
      ids
        .split(' ')
        .filter(Boolean)
        .map((id) => takeOf(database, id)),
    );
    return new Map(takes.flatMap((take) => (take ? [[take.id, take] as const] : [])));
  }, [database, ids]);
  return found ?? NONE;
};
