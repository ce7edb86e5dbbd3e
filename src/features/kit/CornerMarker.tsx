'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Corners } from '#core/match/board.ts';

type Point = readonly [number, number];
/** Step of an arrow key, share of the picture. */
const STEP = 0.004;
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};
/** The picture is drawn on as on a plane of this size. */
const [WIDE, HIGH] = [1600, 900];

const held = (v: number) => Math.min(1, Math.max(0, v));
const moved = (corners: Corners, corner: number, to: Point): Corners =>
  corners.map((point, i) => (i === corner ? [held(to[0]), held(to[1])] : point)) as unknown as Corners;

/** A picture on which four corners are dragged, by pointer or by the arrow keys; told once they are let go. */
export const CornerMarker = ({
  label,
  nameOf,
  corners,
  onLay,
  children,
}: {
  label: string;
  /** Name of a corner, from 1. */
  nameOf: (corner: number) => string;
  corners: Corners;
  onLay: (corners: Corners) => void;
  children: ReactNode;
}) => {
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ readonly corner: number; readonly corners: Corners }>();
  const shown = drag?.corners ?? corners;
  const at = (event: PointerEvent): Point => {
    const box = svg.current!.getBoundingClientRect();
    return [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
  };
  const end = () => {
    if (drag) onLay(drag.corners);
    setDrag(undefined);
  };
  const onKeyDown = (event: KeyboardEvent, corner: number) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    event.stopPropagation();
    const [x, y] = shown[corner];
    setDrag({ corner, corners: moved(shown, corner, [x + arrow[0], y + arrow[1]]) });
  };
  return (
    <div className="corner-marker">
      {children}
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        preserveAspectRatio="none"
        role="group"
        aria-label={label}
        onPointerMove={(event) => {
          if (drag) setDrag({ ...drag, corners: moved(drag.corners, drag.corner, at(event)) });
        }}
        onPointerUp={end}
        onPointerCancel={() => setDrag(undefined)}
      >
        <polygon points={shown.map(([x, y]) => `${x * WIDE},${y * HIGH}`).join(' ')} />
        {shown.map(([x, y], i) => (
          <circle
            key={`${i + 1}`}
            cx={x * WIDE}
            cy={y * HIGH}
            r="26"
            role="button"
            tabIndex={0}
            aria-label={nameOf(i + 1)}
            onPointerDown={(event) => {
              event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
              setDrag({ corner: i, corners: shown });
            }}
            onKeyDown={(event) => onKeyDown(event, i)}
            onKeyUp={end}
            onBlur={end}
          />
        ))}
      </svg>
    </div>
  );
};
