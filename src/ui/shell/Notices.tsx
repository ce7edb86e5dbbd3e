'use client';

import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import { leftOutSetups } from '../bench/leftOut.ts';
import { later } from '../later.tsx';
import { newVersion } from '../offline/newVersion.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import type { Said } from './useLogTake.ts';

/** Fetched while nothing is said, so that it is there when the connection is not. */
const NoticeList = later(() => import('./NoticeList.tsx').then((part) => part.NoticeList));

const SHOWN_MS = 6000;

/** What just happened, what went wrong, and the way back. */
export const Notices = ({ said, hush }: { said?: Said; hush: () => void }) => {
  useWhenIdle(NoticeList.fetch);
  const { before } = useStore(useBench().lost);
  const { isReadOnly, setAside, problem } = useRecords();
  const { problems } = useSelection();
  const failure = useSession((state) => state.failure);
  const [leftOut] = useState(leftOutSetups);
  useEffect(() => {
    if (!said) return undefined;
    const timer = setTimeout(hush, SHOWN_MS);
    return () => clearTimeout(timer);
  }, [said, hush]);
  const { waiting } = useStore(newVersion);
  const counted = [setAside, problems, leftOut].some(({ length }) => length > 0);
  const isSaid = [failure, said, problem, isReadOnly, waiting, before].some(Boolean) || counted;
  return (
    <div className="notices" aria-live="polite">
      {isSaid && <NoticeList said={said} hush={hush} />}
    </div>
  );
};
