import type { Progress } from '#workers/rpc/protocol.ts';
import type { Access } from './state.ts';

/**
 * What is being opened: one thing at a time, the newest wins. A file, another reading of it, a scene: all of
 * them go through here, so that none of them shows what another one has found.
 */
export const createOpening = ({ set }: Access) => {
  let current: AbortController | undefined;
  return {
    /** Begins; what was being opened before is given up. */
    begin: (name: string, phase: string) => {
      current?.abort();
      const mine = new AbortController();
      current = mine;
      const onProgress = (progress: Progress) => {
        if (current === mine) set({ busy: { ...progress, name } });
      };
      onProgress({ phase, fraction: 0 });
      return { signal: mine.signal, onProgress, isOver: () => current !== mine };
    },
    /** Ends whatever is being opened. */
    end: () => {
      current?.abort();
      current = undefined;
      set({ busy: undefined });
    },
  };
};

export type Opening = ReturnType<typeof createOpening>;
