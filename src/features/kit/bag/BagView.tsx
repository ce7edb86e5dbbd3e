'use client';

import { useMemo } from 'react';
import { useCard } from '#ui/bench/hooks.ts';
import { BagList } from './BagList.tsx';
import { bagKinds } from './kinds/index.ts';

/** What is carried beside the cameras: faces measured, glass, lights, gels, monitors. */
export const BagView = () => {
  const { profile } = useCard().numbers;
  const kinds = useMemo(() => bagKinds((percent) => profile.stopsAt(percent / 100)), [profile]);
  return (
    <div className="bag">
      {kinds.map((kind) => (
        <BagList key={kind.table} kind={kind} />
      ))}
    </div>
  );
};
