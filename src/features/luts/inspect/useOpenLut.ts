'use client';

import { useBench } from '#ui/bench/BenchProvider.tsx';
import { useWork } from '../useSources.ts';

/** Opens a LUT file and looks at it; one that is none is named and changes nothing. */
export const useOpenLut = () => {
  const { luts, session } = useBench();
  const [{ chain }, setWork] = useWork();
  return async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const result = await luts.open(file);
    if (!result.ok) {
      session.say(file.name, result);
      return;
    }
    session.setOpened(result.value);
    // Another file may not be one that can be turned round.
    setWork({ inspected: 'opened', chain: { ...chain, inverse: false } });
  };
};
