'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Corners } from '#core/match/board.ts';
import type { MatchMark, Share, Side } from '#workers/match/protocol.ts';
import { words } from '#ui/wording/match.ts';

/** The picture is drawn on as on a plane of this width; its height follows. */
const WIDE = 1000;
/** Least side of a mark and step of an arrow key, shares of the picture. */
const LEAST = 0.004;
const STEP = 0.004;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

type Point = readonly [number, number];
type Gesture =
  | { readonly kind: 'draw'; readonly from: Point }
  | { readonly kind: 'move'; readonly mark: MatchMark; readonly from: Point }
  | { readonly kind: 'corner'; readonly corner: number };

const held = (v: number, most = 1) => Math.min(most, Math.max(0, v));
const moved = (place: Share, dx: number, dy: number): Share => ({
  ...place,
  x: held(place.x + dx, 1 - place.width),
  y: held(place.y + dy, 1 - place.height),
});
const between = ([x0, y0]: Point, [x1, y1]: Point): Share => ({
  x: Math.min(x0, x1),
  y: Math.min(y0, y1),
  width: Math.abs(x1 - x0),
  height: Math.abs(y1 - y0),
});

type Does = {
  readonly onDraw: (place: Share) => void;
  readonly onMove: (name: string, place: Share) => void;
  readonly onCorner: (corner: number, to: Point) => void;
  readonly onRemove: (name: string) => void;
  readonly onSelect: (name: string) => void;
  readonly onDrag: (isDragging: boolean) => void;
};

/** What a pointer does on the layer: draws a mark, moves one, drags a corner. */
const useMarkGestures = (
  side: Side,
  { onDraw, onMove, onCorner, onDrag }: Pick<Does, 'onDraw' | 'onMove' | 'onCorner' | 'onDrag'>,
) => {
  const svg = useRef<SVGSVGElement>(null);
  const [gesture, setGesture] = useState<Gesture>();
  const [drawn, setDrawn] = useState<Share>();
  const at = (event: PointerEvent): Point => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return [0, 0];
    return [held((event.clientX - box.left) / box.width), held((event.clientY - box.top) / box.height)];
  };
  const begin = (event: PointerEvent, next: Gesture) => {
    event.stopPropagation();
    svg.current?.setPointerCapture(event.pointerId);
    setGesture(next);
    onDrag(true);
  };
  const onPointerMove = (event: PointerEvent) => {
    if (!gesture) return;
    const to = at(event);
    if (gesture.kind === 'draw') setDrawn(between(gesture.from, to));
    else if (gesture.kind === 'corner') onCorner(gesture.corner, to);
    else {
      const { mark, from } = gesture;
      onMove(mark.name, moved(mark[side], to[0] - from[0], to[1] - from[1]));
    }
  };
  const end = () => {
    if (gesture?.kind === 'draw' && drawn && drawn.width > LEAST && drawn.height > LEAST) onDraw(drawn);
    setGesture(undefined);
    setDrawn(undefined);
    onDrag(false);
  };
  return { svg, drawn, at, begin, onPointerMove, end };
};

/** Marks on one side: drag on the picture to make one, drag one to move it; arrow keys, Delete. */
export const MarkLayer = ({
  side,
  sideName,
  ratio,
  marks,
  board,
  selected,
  onDraw,
  onMove,
  onCorner,
  onRemove,
  onSelect,
  onDrag,
}: Does & {
  side: Side;
  sideName: string;
  /** Height over width of the picture. */
  ratio: number;
  marks: readonly MatchMark[];
  board?: Corners;
  selected?: string;
}) => {
  const { svg, drawn, at, begin, onPointerMove, end } = useMarkGestures(side, {
    onDraw,
    onMove,
    onCorner,
    onDrag,
  });
  const onMarkKey = (event: KeyboardEvent, mark: MatchMark) => {
    const arrow = ARROWS[event.key];
    if (!arrow && event.key !== 'Delete') return;
    event.preventDefault();
    event.stopPropagation();
    if (arrow) onMove(mark.name, moved(mark[side], ...arrow));
    else onRemove(mark.name);
  };
  const onCornerKey = (event: KeyboardEvent, corner: number, [x, y]: Point) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    event.stopPropagation();
    onCorner(corner, [held(x + arrow[0]), held(y + arrow[1])]);
  };
  const high = WIDE * ratio;
  const drawRect = ({ x, y, width, height }: Share) => ({
    x: x * WIDE,
    y: y * high,
    width: width * WIDE,
    height: height * high,
  });
  const focusable = selected ?? marks[0]?.name;
  return (
    <svg
      ref={svg}
      className="match-marks"
      viewBox={`0 0 ${WIDE} ${high}`}
      role="group"
      aria-label={words.markLayer(sideName)}
      onPointerDown={(event) => begin(event, { kind: 'draw', from: at(event) })}
      onPointerMove={onPointerMove}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {marks.map((mark) => (
        <rect
          key={mark.name}
          {...drawRect(mark[side])}
          className={`mark mark-${mark.kind}${mark.name === selected ? ' selected' : ''}`}
          role="button"
          tabIndex={mark.name === focusable ? 0 : -1}
          aria-label={words.markOn(mark.name, sideName)}
          onFocus={() => onSelect(mark.name)}
          onKeyDown={(event) => onMarkKey(event, mark)}
          onPointerDown={(event) => {
            onSelect(mark.name);
            begin(event, { kind: 'move', mark, from: at(event) });
          }}
        >
          <title>{mark.name}</title>
        </rect>
      ))}
      {drawn && <rect {...drawRect(drawn)} className="mark selected" />}
      {board && (
        <polygon className="board" points={board.map(([x, y]) => `${x * WIDE},${y * high}`).join(' ')} />
      )}
      {board?.map((corner, i) => (
        <circle
          key={`${i + 1}`}
          className="corner"
          cx={corner[0] * WIDE}
          cy={corner[1] * high}
          r="14"
          role="button"
          tabIndex={0}
          aria-label={words.corner(i + 1, sideName)}
          onKeyDown={(event) => onCornerKey(event, i, corner)}
          onPointerDown={(event) => begin(event, { kind: 'corner', corner: i })}
        />
      ))}
    </svg>
  );
};
