'use client';

import { useMemo } from 'react';
import { useRecords, useSelection } from '../bench/hooks.ts';
import { useSame } from '../useSame.ts';
import { standingOfSelection, type Standing } from './standing.ts';

/** What the camera of the set-up at hand stands before; the same object as long as nothing of it changed. */
export const useStanding = (): Standing | undefined => {
  const selection = useSelection();
  const records = useRecords();
  return useSame(useMemo(() => standingOfSelection(selection, records), [selection, records]));
};
