'use client';

import { useCallback } from 'react';
import type { SetupRecord } from '#store/records/setup.ts';
import { useBench, useSelection } from './hooks.ts';

/** Changes fields of the set-up at hand; shows at once, undone as one step. */
export const useEditSetup = () => {
  const { book } = useBench();
  const selection = useSelection();
  const { setup } = selection;
  return useCallback(
    (label: string, fields: Partial<SetupRecord>) =>
      void book.edit({
        label,
        changes: [{ table: 'setups', id: setup.id, before: setup, after: { ...setup, ...fields } }],
      }),
    [book, setup],
  );
};
