'use client';

import Button from 'react-bootstrap/Button';
import { demoEdit } from '#store/demo/demoEdit.ts';
import { useBench, useRecords } from '../bench/hooks.ts';
import { leaveNoneOut, leftOutSetups } from '../bench/leftOut.ts';
import { RestorePanel } from '../backup/RestorePanel.tsx';
import { Empty } from '../parts/Empty.tsx';
import { SetAsideNotice } from './SetAsideNotice.tsx';
import { words } from '#ui/wording/shellNotices.ts';

const reload = () => window.location.replace(new URL('/plan', window.location.href));

/** No shoot, set-up or camera to show: the demo's can be put in, what is set aside mended. */
export const NothingHere = () => {
  const { book } = useBench();
  const records = useRecords();
  const fill = async () => {
    const edit = await demoEdit(book.getState());
    if (await book.edit(edit)) window.history.replaceState(null, '', '/plan');
  };
  return (
    <Empty title={words.noShootWithA}>
      <p className="quiet">Put the demo shoot in to begin with; what is stored stays as it is.</p>
      <div className="d-flex flex-wrap justify-content-center gap-2">
        <Button variant="primary" onClick={() => void fill()}>
          {words.putTheDemoShoot}
        </Button>
        {records.undoable && (
          <Button variant="outline-secondary" onClick={() => void book.undo()}>
            Undo {records.undoable}
          </Button>
        )}
        {leftOutSetups().length > 0 && (
          <Button
            variant="outline-secondary"
            onClick={() => {
              leaveNoneOut();
              reload();
            }}
          >
            {words.showWhatWasLeft}
          </Button>
        )}
      </div>
      {records.problem && <p className="text-warn mt-2">{records.problem}</p>}
      <SetAsideNotice items={records.setAside} />
      <RestorePanel />
    </Empty>
  );
};
