'use client';

import { useBench } from '#ui/bench/hooks.ts';

/** Opens a LUT file and looks at it; one that is none is named and changes nothing. */
export const useOpenLut = () => {
  const { session } = useBench();
  return async (file: File | undefined): Promise<void> => {
    if (file && (await session.luts.openFile(file))) session.luts.inspect('opened');
  };
};
