'use client';

import { useEffect } from 'react';
import Button from 'react-bootstrap/Button';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import type { Said } from './useLogTake.ts';

const SHOWN_MS = 6000;

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
        <div className="notice notice-bad" role="status">
          <span>
            <strong>{failure.name}</strong> ({failure.where}): {failure.reason}
            {frame ? ` ${frame.name} stays open.` : ''}
          </span>
          <Button size="sm" variant="outline-secondary" onClick={session.notice.dismiss}>
            Close
          </Button>
        </div>
      )}
      {problems.map((problem) => (
        <div key={problem} className="notice notice-bad" role="status">
          {problem}
        </div>
      ))}
      {records.problem && (
        <div className="notice notice-bad" role="status">
          <span>{records.problem}</span>
          <Button size="sm" variant="outline-secondary" onClick={book.dismissProblem}>
            Close
          </Button>
        </div>
      )}
      {said && (
        <div className="notice" role="status">
          <span>{said.text}</span>
          {records.undoable === said.undoes && (
            <Button variant="outline-secondary" size="sm" onClick={() => void book.undo().then(hush)}>
              Undo
            </Button>
          )}
        </div>
      )}
    </div>
  );
};
