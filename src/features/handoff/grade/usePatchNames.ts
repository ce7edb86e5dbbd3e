'use client';

import { useMemo } from 'react';
import { useSelection, useSession } from '#ui/bench/hooks.ts';
import type { PatchNames } from '#workers/judge/gradeProtocol.ts';

/** Who stands at the marks, and how far their key side lies over grey. */
export const usePatchNames = (): PatchNames => {
  const { subjects } = useSelection();
  const patches = useSession((state) => state.patches);
  return useMemo(
    () =>
      Object.fromEntries(
        patches.flatMap(({ id, subjectId }) => {
          const subject = subjects.find((one) => one.id === subjectId);
          return subject ? [[id, { name: subject.name, own: subject.skinOffset }]] : [];
        }),
      ),
    [patches, subjects],
  );
};
