'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { words } from '#ui/wording/parts.ts';

/** A picture over another one, from a line on; the line is dragged or moved by arrow keys. */
export const WipeOver = ({
  name,
  canvas,
}: {
  /** What lies over. */
  name: string;
  canvas: RefObject<HTMLCanvasElement | null>;
}) => {
  const [at, setAt] = useState(0.5);
  const plane = useRef<HTMLDivElement>(null);
  const set = (to: number) => setAt(Math.min(0.98, Math.max(0.02, to)));
  const onMove = (event: PointerEvent<HTMLElement>) => {
    const box = plane.current?.getBoundingClientRect();
    if (box && event.buttons === 1) set((event.clientX - box.left) / box.width);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
    event.preventDefault();
    set(at + (event.key === 'ArrowRight' ? 0.02 : -0.02));
  };
  return (
    <div className="wipe" ref={plane}>
      <canvas ref={canvas} style={{ clipPath: `inset(0 0 0 ${100 * at}%)` }} />
      <span className="wipe-name" style={{ left: `${100 * at}%` }}>
        {name}
      </span>
      <div
        className="wipe-line"
        role="slider"
        tabIndex={0}
        aria-label={words.wipeToNamed(name)}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(100 * at)}
        style={{ left: `${100 * at}%` }}
        onKeyDown={onKey}
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={onMove}
      />
    </div>
  );
};
