'use client';

import { useEffect, useState, type ReactNode } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { printInstant } from '#core/day/clock.ts';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import { leaveNoneOut, leftOutSetups } from '../bench/leftOut.ts';
import { SetAsideNotice } from './SetAsideNotice.tsx';
import type { Said } from './useLogTake.ts';

const SHOWN_MS = 6000;

/** One thing that is said: it stands, it does not interrupt. */
const Notice = ({ isBad = false, children }: { isBad?: boolean; children: ReactNode }) => (
  <Alert bsPrefix="notice" variant={isBad ? 'bad' : 'plain'} role="status" transition={false}>
    {children}
  </Alert>
);

/** What just happened, what went wrong, and the way back. */
export const Notices = ({ said, hush }: { said?: Said; hush: () => void }) => {
  const { book, session, lost: lostBefore } = useBench();
  const lost = lostBefore();
  const [isToldOfLoss, setToldOfLoss] = useState(false);
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
      {lost && !isToldOfLoss && (
        <Notice isBad>
          <span>
            This browser kept records from {printInstant(lost.since)} on, and they are gone: it has lost or
            deleted them.
            {lost.savedAt ? ` You saved them last on ${printInstant(lost.savedAt)}: look for that file.` : ''}
          </span>
          <Button size="sm" variant="outline-secondary" onClick={() => setToldOfLoss(true)}>
            Close
          </Button>
        </Notice>
      )}
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
      <SetAsideNotice items={records.setAside} />
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
          {records.undoable === said.undoes && (
            <Button variant="outline-secondary" size="sm" onClick={() => void book.undo().then(hush)}>
              Undo
            </Button>
          )}
        </Notice>
      )}
    </div>
  );
};
