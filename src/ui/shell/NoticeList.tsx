'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useStore } from 'zustand';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import { leaveNoneOut, leftOutSetups } from '../bench/leftOut.ts';
import { newVersion } from '../offline/newVersion.ts';
import { takeNewVersion } from '../offline/offline.ts';
import { LostNotice } from './LostNotice.tsx';
import { Notice } from './Notice.tsx';
import { SetAsideNotice } from './SetAsideNotice.tsx';
import type { Said } from './useLogTake.ts';
import { words } from '#ui/wording/shellNotices.ts';

/** All that is to be said now, what went wrong first. */
export const NoticeList = ({ said, hush }: { said?: Said; hush: () => void }) => {
  const { book, session, lost } = useBench();
  const { before } = useStore(lost);
  const records = useRecords();
  const [leftOut] = useState(leftOutSetups);
  const { waiting } = useStore(newVersion);
  const selection = useSelection();
  const { failure, frame } = useSession((state) => ({ failure: state.failure, frame: state.frame }));
  return (
    <>
      {failure && (
        <Notice isBad>
          <span>
            <strong>{failure.name}</strong> ({failure.where}): {failure.reason}
            {frame ? ` ${frame.name} stays open.` : ''}
          </span>
          <Button size="sm" variant="outline-secondary" onClick={session.notice.dismiss}>
            {words.close}
          </Button>
        </Notice>
      )}
      {records.isReadOnly && (
        <Notice isBad>
          A newer Candelum wrote these records: they are shown and exported, and not changed.
        </Notice>
      )}
      {before && <LostNotice {...before} />}
      {leftOut.length > 0 && (
        <Notice isBad>
          <span>{words.aSetUpWhose}</span>
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => {
              leaveNoneOut();
              window.location.reload();
            }}
          >
            {words.showItAgain}
          </Button>
        </Notice>
      )}
      {waiting && (
        <Notice>
          <span>{words.aNewVersionOf}</span>
          <Button size="sm" variant="outline-secondary" onClick={() => takeNewVersion(waiting)}>
            {words.loadIt}
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
            {words.close}
          </Button>
        </Notice>
      )}
      {said && (
        <Notice>
          <span>{said.text}</span>
          {said.undoes !== undefined && records.undoable === said.undoes && (
            <Button variant="outline-secondary" size="sm" onClick={() => void book.undo().then(hush)}>
              {words.undo}
            </Button>
          )}
        </Notice>
      )}
    </>
  );
};
