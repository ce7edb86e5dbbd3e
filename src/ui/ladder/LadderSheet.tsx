'use client';

import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { StopLadder } from './StopLadder.tsx';
import { words } from '#ui/wording/ladder.ts';

/** How far a finger moves before the sheet follows, px. */
const SWIPE = 24;

/** The ladder beside the work; on a phone a sheet at the right edge, one swipe or tap away. */
export const LadderSheet = () => {
  const [isOpen, setOpen] = useState(false);
  const from = useRef<number>(undefined);
  return (
    <div className={`ladder-sheet${isOpen ? ' ladder-sheet-open' : ''}`}>
      <Button
        variant="bare"
        className="ladder-tab"
        aria-expanded={isOpen}
        aria-label={isOpen ? words.putTheLadderAway : words.stopLadder}
        onPointerDown={({ clientX, pointerId, currentTarget }) => {
          from.current = clientX;
          currentTarget.setPointerCapture(pointerId);
        }}
        onPointerMove={({ clientX }) => {
          if (from.current === undefined) return;
          const moved = clientX - from.current;
          if (Math.abs(moved) > SWIPE) setOpen(moved < 0);
        }}
        onPointerUp={({ clientX }) => {
          const moved = clientX - (from.current ?? clientX);
          from.current = undefined;
          if (Math.abs(moved) <= SWIPE) setOpen(!isOpen);
        }}
        onPointerCancel={() => (from.current = undefined)}
        onKeyDown={({ key }) => {
          if (key === 'Enter' || key === ' ') setOpen(!isOpen);
        }}
      >
        {words.stops}
      </Button>
      <StopLadder />
    </div>
  );
};
