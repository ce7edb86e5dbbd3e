import type { LutBuild } from '#store/records/lut.ts';
import type { ChainFields, LutWork, OpenedLut } from './lutWork.ts';
import type { LutShelf } from './lutShelf.ts';
import type { Access, Laid, Tell } from './state.ts';

/**
 * What is at hand on the LUTs screen. The LUT being built is the plan's; here it stands only while a slider
 * moves it.
 */
export const createLutWork = (shelf: LutShelf, { get, set }: Access, tell: Tell) => {
  const work = (fields: Partial<LutWork>) => set(({ lutWork }) => ({ lutWork: { ...lutWork, ...fields } }));
  return {
    /** Opens a file; one that is no LUT is named and changes nothing. @returns whether it is open. */
    openFile: async (file: File): Promise<boolean> => {
      const result = await shelf.open(file);
      if (!result.ok) {
        tell(file.name, result);
        return false;
      }
      set({ openedLut: result.value, failure: undefined });
      // Another file may not be one that can be turned round.
      work({ chain: { ...get().lutWork.chain, inverse: false } });
      return true;
    },
    /** How the opened file is read. */
    readOpened: (change: Partial<Pick<OpenedLut, 'scale' | 'output'>>) =>
      set(({ openedLut }) => (openedLut ? { openedLut: { ...openedLut, ...change } } : {})),
    moveBuild: (planId: string, build: LutBuild) => set({ movingBuild: { planId, build } }),
    /** The plan has it now, or it was given up. */
    settleBuild: () => set({ movingBuild: undefined }),
    setChain: (fields: Partial<ChainFields>) => work({ chain: { ...get().lutWork.chain, ...fields } }),
    inspect: (inspected: string) => work({ inspected }),
    compare: (compared: LutWork['compared']) => work({ compared }),
    correct: (fields: Partial<LutWork['correction']>) =>
      work({ correction: { ...get().lutWork.correction, ...fields } }),
    /** Draws a curve across the ladder, or takes it off. */
    lay: (laid: Laid | undefined) => set({ laid }),
  };
};
