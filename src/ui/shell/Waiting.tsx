'use client';

import Button from 'react-bootstrap/Button';
import { Empty } from '../parts/Empty.tsx';
import { Mark } from './Mark.tsx';
import { later } from '../later.tsx';
import { words } from '#ui/wording/shell.ts';

const NothingHere = later(() => import('./NothingHere.tsx').then((part) => part.NothingHere));

const Closed = ({ problem }: { problem?: string }) => (
  <Empty title={words.theRecordsAreNot}>
    <p>{problem}</p>
    <Button variant="outline-secondary" onClick={() => window.location.reload()}>
      {words.loadAgain}
    </Button>
  </Empty>
);

/** What is shown before there is a set-up to show. */
export const Waiting = ({
  status,
  problem,
}: {
  status: 'loading' | 'failed' | 'empty';
  problem?: string;
}) => (
  <div className="waiting" data-status={status}>
    <Mark />
    {status === 'loading' && <p className="quiet">Opening the records of this browser…</p>}
    {status === 'failed' && <Closed problem={problem} />}
    {status === 'empty' && <NothingHere />}
  </div>
);
