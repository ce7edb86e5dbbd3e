'use client';

import { useMemo } from 'react';
import { useSelection, useSession } from '#ui/bench/hooks.ts';

/** The picture on the bench by its serial, what is marked on it, and who stands at the marks. */
export const useMarkedFrame = () => {
  const { subjects } = useSelection();
  const { serial, patches } = useSession(({ frame, patches: marked }) => ({
    serial: frame?.serial,
    patches: marked,
  }));
  const marks = useMemo(() => {
    const names = Object.fromEntries(
      patches.flatMap(({ id, subjectId }) => {
        const subject = subjects.find((one) => one.id === subjectId);
        return subject ? [[id, { name: subject.name, own: subject.skinOffset }]] : [];
      }),
    );
    return { patches, names };
  }, [patches, subjects]);
  return { serial, marks };
};
