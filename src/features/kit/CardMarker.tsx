'use client';

import { useState, type PointerEvent, type ReactNode } from 'react';
import type { CardMark } from '#core/scopes/cardReading.ts';

/** A mark that is smaller was not meant, of the picture's side. */
const LEAST = 0.01;

type Shown = { readonly id: string; readonly rect: CardMark; readonly className?: string };

const placeOf = ({ x, y, width, height }: CardMark) => ({
  left: `${100 * x}%`,
  top: `${100 * y}%`,
  width: `${100 * width}%`,
  height: `${100 * height}%`,
});

/** A picture on which a rectangle is dragged; what it stands for is drawn as it grows. */
export const CardMarker = ({
  label,
  marks,
  drawing,
  onMark,
  children,
}: {
  label: string;
  marks: readonly Shown[];
  /** Id of the mark that is drawn. */
  drawing: string;
  onMark: (rect: CardMark) => void;
  children: ReactNode;
}) => {
  const [from, setFrom] = useState<readonly [number, number]>();
  const [drawn, setDrawn] = useState<CardMark>();
  const at = (event: PointerEvent): readonly [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (v: number) => Math.min(1, Math.max(0, v));
    return [share((event.clientX - box.left) / box.width), share((event.clientY - box.top) / box.height)];
  };
  const end = () => {
    setFrom(undefined);
    setDrawn(undefined);
  };
  const isNew = drawn && !marks.some(({ id }) => id === drawing);
  const shown = isNew ? [...marks, { id: drawing, rect: drawn }] : marks;
  return (
    <div
      className="card-marker"
      role="img"
      aria-label={label}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setFrom(at(event));
      }}
      onPointerMove={(event) => {
        if (!from) return;
        const [x, y] = at(event);
        setDrawn({
          x: Math.min(x, from[0]),
          y: Math.min(y, from[1]),
          width: Math.abs(x - from[0]),
          height: Math.abs(y - from[1]),
        });
      }}
      onPointerCancel={end}
      onPointerUp={() => {
        if (drawn && drawn.width > LEAST && drawn.height > LEAST) onMark(drawn);
        end();
      }}
    >
      {children}
      {shown.map(({ id, rect, className = '' }) => (
        <span
          key={id}
          className={`card-mark ${className}`.trim()}
          style={placeOf(id === drawing && drawn ? drawn : rect)}
        />
      ))}
    </div>
  );
};
