'use client';

import Button from 'react-bootstrap/Button';
import { Empty } from '../parts/Empty.tsx';
import { later } from '../later.tsx';
import { words } from '#ui/wording/shell.ts';

/** Fetched while all goes well: where a screen stops, it may be for want of a connection. */
export const loadStopped = () => import('./StoppedChoices.tsx').then((part) => part.StoppedChoices);

/** Where not even the choices can be fetched. */
const LoadAgain = () => (
  <Button variant="outline-secondary" onClick={() => window.location.reload()}>
    {words.loadAgain}
  </Button>
);

const StoppedChoices = later(() => loadStopped().catch(() => LoadAgain));

/** A screen that stopped: what is wrong, and what can be done. */
export const Stopped = ({ error, reset }: { error: Error; reset: () => void }) => (
  <Empty title={words.thisScreenStopped}>
    <p className="quiet">{error.message}. What was stored is safe in this browser; nothing was deleted.</p>
    <StoppedChoices reset={reset} />
  </Empty>
);
