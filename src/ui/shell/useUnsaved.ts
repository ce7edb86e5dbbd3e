'use client';

import { useEffect } from 'react';
import { useRecords } from '../bench/hooks.ts';

const ask = (event: BeforeUnloadEvent) => event.preventDefault();

/**
 * How many changes are shown and not stored yet. While there are any, the browser asks before it leaves the
 * page: what it would cut off there is lost.
 */
export const useUnsaved = (): number => {
  const unsaved = useRecords((records) => records.unsaved);
  const isSaved = unsaved === 0;
  useEffect(() => {
    if (isSaved) return undefined;
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isSaved]);
  return unsaved;
};
