'use client';

import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { stillBox, type StillFacts } from './stillBox.ts';

/** The stills that are kept of the shoot, in whichever window, and how one is taken out. */
export const useKeptStills = () => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const [stills, setStills] = useState<readonly StillFacts[]>([]);
  useEffect(() => {
    const watching = liveQuery(() => stillBox(database).list(shoot.id)).subscribe({
      next: setStills,
      // A browser that keeps no data has told so already, at its start.
      error: () => setStills([]),
    });
    return () => watching.unsubscribe();
  }, [database, shoot.id]);
  return { stills, drop: (still: StillFacts) => stillBox(database).drop(still) };
};
