'use client';

import { useEffect, type ReactNode } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
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
  const { book, session } = useBench();
  const records = useRecords();
  const selection = useSelection();
  const { failure, frame } = useSession((state) => ({ failure: state.failure, frame: state.frame }));
  useEffect(() => {
    if (!said) return undefined;
    const timer = setTimeout(hush, SHOWN_MS);
    return () => clearTimeout(timer);
  }, [said, hush]);
  const problems = [...selection.problems, ...(records.unreadable ? [records.unreadable] : [])];
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
      {problems.map((problem) => (
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
