'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import { leaveNoneOut, leftOutSetups } from '../bench/leftOut.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { fetchNotice, Notice } from './Notice.tsx';
import type { Said } from './useLogTake.ts';
import { later } from '../later.tsx';

const SetAsideNotice = later(() => import('./SetAsideNotice.tsx').then((part) => part.SetAsideNotice));
const LostNotice = later(() => import('./LostNotice.tsx').then((part) => part.LostNotice));

const SHOWN_MS = 6000;

/** What just happened, what went wrong, and the way back. */
export const Notices = ({ said, hush }: { said?: Said; hush: () => void }) => {
  useWhenIdle(fetchNotice);
  const { book, session, lost: lostBefore } = useBench();
  const lost = lostBefore();
  const records = useRecords();
  const [leftOut] = useState(leftOutSetups);
  const selection = useSelection();
  const { failure, frame } = useSession((state) => ({ failure: state.failure, frame: state.frame }));
  useEffect(() => {
    if (!said) return undefined;
    const timer = setTimeout(hush, SHOWN_MS);
    return () => clearTimeout(timer);
  }, [said, hush]);
  return (
    <div className="notices" aria-live="polite">
      {failure && (
        <Notice isBad>
          <span>
            <strong>{failure.name}</strong> ({failure.where}): {failure.reason}
            {frame ? ` ${frame.name} stays open.` : ''}
          </span>
          <Button size="sm" variant="outline-secondary" onClick={session.notice.dismiss}>
            Close
          </Button>
        </Notice>
      )}
      {records.isReadOnly && (
        <Notice isBad>
          A newer Candelum wrote these records: they are shown and exported, and not changed.
        </Notice>
      )}
      {lost && <LostNotice {...lost} />}
      {leftOut.length > 0 && (
        <Notice isBad>
          <span>A set-up whose screen stopped is left out in this window.</span>
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => {
              leaveNoneOut();
              window.location.reload();
            }}
          >
            Show it again
          </Button>
        </Notice>
      )}
      {records.setAside.length > 0 && <SetAsideNotice items={records.setAside} />}
      {selection.problems.map((problem) => (
        <Notice key={problem} isBad>
          {problem}
        </Notice>
      ))}
      {records.problem && (
        <Notice isBad>
          <span>{records.problem}</span>
          <Button size="sm" variant="outline-secondary" onClick={book.dismissProblem}>
            Close
          </Button>
        </Notice>
      )}
      {said && (
        <Notice>
          <span>{said.text}</span>
          {said.undoes !== undefined && records.undoable === said.undoes && (
            <Button variant="outline-secondary" size="sm" onClick={() => void book.undo().then(hush)}>
              Undo
            </Button>
          )}
        </Notice>
      )}
    </div>
  );
};
