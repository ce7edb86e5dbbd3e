'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { printInstant } from '#core/day/clock.ts';
import type { Marker } from '../bench/marker.ts';
import { Notice } from './Notice.tsx';
import { words } from '#ui/wording/shellNotices.ts';

/** Records that this browser had are gone: since when, and where to look for them. */
export const LostNotice = ({ since, savedAt }: Marker) => {
  const [isTold, setTold] = useState(false);
  if (isTold) return null;
  return (
    <Notice isBad>
      <span>
        This browser kept records from {printInstant(since)} on, and they are gone: it has lost or deleted
        them.
        {savedAt ? ` You saved them last on ${printInstant(savedAt)}: look for that file.` : ''}
      </span>
      <Button size="sm" variant="outline-secondary" onClick={() => setTold(true)}>
        {words.close}
      </Button>
    </Notice>
  );
};
