'use client';

import { useEffect, useState } from 'react';
import { cameraClockId } from '#store/records/clip.ts';
import { failureWords } from '#store/words.ts';
import {
  canChooseFolders,
  chooseFolder,
  filesIn,
  keepFolder,
  keptFolder,
  mayRead,
} from '#ui/bench/clips/folders.ts';

type Of = { readonly shootId: string; readonly cameraId: string };
type Handle = NonNullable<Awaited<ReturnType<typeof keptFolder>>>;

/** The folder of a camera's card: chosen, kept, and asked for again after a reload. */
export const useFolder = ({ shootId, cameraId }: Of, onFiles: (files: readonly File[]) => void) => {
  const id = cameraClockId(shootId, cameraId);
  const [kept, setKept] = useState<{ readonly id: string; readonly handle?: Handle }>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    let isLeft = false;
    keptFolder(id).then(
      (handle) => isLeft || setKept({ id, handle }),
      () => undefined,
    );
    return () => {
      isLeft = true;
    };
  }, [id]);
  const read = async (handle: Handle) => {
    try {
      if (!(await mayRead(handle)))
        return setProblem(
          `The browser does not let ${handle.name} be read: allow it, or choose the folder again.`,
        );
      onFiles(await filesIn(handle));
      setProblem(undefined);
    } catch (error) {
      setProblem(`${handle.name} cannot be read (${failureWords(error)}): is the card in? Choose it again.`);
    }
  };
  return {
    problem,
    /** The folder that was read before, if there is one. */
    before: kept?.id === id ? kept.handle?.name : undefined,
    readBefore: () => kept?.handle && void read(kept.handle),
    /** Asks for a folder; false where the browser cannot, and files must be chosen by its own way. */
    choose: (): boolean => {
      if (!canChooseFolders()) return false;
      const ask = async () => {
        const handle = await chooseFolder();
        if (!handle) return;
        setKept({ id, handle });
        await keepFolder(id, handle).catch(() => undefined);
        await read(handle);
      };
      ask().catch((error: unknown) => setProblem(`The folder cannot be chosen: ${failureWords(error)}.`));
      return true;
    },
  };
};
