'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Rect } from '#core/frame/frame.ts';
import { clampRect } from '#core/frame/frame.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { Tool } from './tools.ts';
import { words } from '#ui/wording/judgePicture.ts';

type Gesture = {
  readonly kind: 'draw' | 'move';
  readonly patch: Patch;
  readonly from: readonly [number, number];
};

const MIN = 4;

const between = ([x0, y0]: readonly [number, number], [x1, y1]: readonly [number, number]): Rect => ({
  x: Math.min(x0, x1),
  y: Math.min(y0, y1),
  width: Math.abs(x1 - x0),
  height: Math.abs(y1 - y0),
});

/** What a finger holds a patch by, px on the screen. */
const HOLD = 44;

/** What a finger takes of a patch: the patch, and around a small one as much as a finger is wide. */
const PatchHold = ({ rect, least }: { rect: Rect; least: number }) => {
  const [width, height] = [Math.max(least, rect.width), Math.max(least, rect.height)];
  const [x, y] = [rect.x + (rect.width - width) / 2, rect.y + (rect.height - height) / 2];
  return <rect className="patch-hold" {...{ x, y, width, height }} />;
};

/** Patches on the picture: draw with the chosen tool, drag to move, arrow keys when focused, Delete takes off. */
export const PatchLayer = ({
  width,
  height,
  scale,
  patches,
  labels,
  tool,
  highlight,
  onSet,
  onRemove,
}: {
  width: number;
  height: number;
  /** Screen pixels a picture pixel, so that labels keep their size. */
  scale: number;
  patches: readonly Patch[];
  labels: Readonly<Record<string, string>>;
  tool: Tool;
  highlight?: Rect;
  onSet: (patch: Patch) => void;
  onRemove: (id: string) => void;
}) => {
  const svg = useRef<SVGSVGElement>(null);
  const [gesture, setGesture] = useState<Gesture>();
  const [live, setLive] = useState<Patch>();
  const at = (event: PointerEvent): readonly [number, number] => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return [0, 0];
    return [
      ((event.clientX - box.left) / box.width) * width,
      ((event.clientY - box.top) / box.height) * height,
    ];
  };
  const keepInside = (rect: Rect) => clampRect(rect, { width, height });
  const start = (event: PointerEvent<SVGElement>, kind: Gesture['kind'], patch: Patch) => {
    event.stopPropagation();
    svg.current?.setPointerCapture(event.pointerId);
    setGesture({ kind, patch, from: at(event) });
  };
  const move = (event: PointerEvent<SVGElement>) => {
    if (!gesture) return;
    const to = at(event);
    const { rect } = gesture.patch;
    setLive({
      ...gesture.patch,
      rect:
        gesture.kind === 'draw'
          ? keepInside(between(gesture.from, to))
          : keepInside({ ...rect, x: rect.x + to[0] - gesture.from[0], y: rect.y + to[1] - gesture.from[1] }),
    });
  };
  const end = () => {
    if (live && live.rect.width >= MIN && live.rect.height >= MIN) onSet(live);
    setGesture(undefined);
    setLive(undefined);
  };
  const onKey = (event: KeyboardEvent, patch: Patch) => {
    const step = event.shiftKey ? 10 : 1;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
      event.key
    ];
    if (by) {
      event.preventDefault();
      onSet({
        ...patch,
        rect: keepInside({ ...patch.rect, x: patch.rect.x + by[0], y: patch.rect.y + by[1] }),
      });
    }
    if (event.key === 'Delete' || event.key === 'Backspace') onRemove(patch.id);
  };
  const shown = [...patches.filter(({ id }) => id !== live?.id), ...(live ? [live] : [])];
  const unit = 1 / scale;
  return (
    <svg
      ref={svg}
      className="patches"
      viewBox={`0 0 ${width} ${height}`}
      onPointerDown={(event) =>
        start(event, 'draw', {
          id: tool.id,
          kind: tool.kind,
          subjectId: tool.subjectId,
          rect: { x: 0, y: 0, width: 1, height: 1 },
        })
      }
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {highlight && <rect className="highlight" {...highlight} />}
      {shown.map((patch) => (
        <g
          key={patch.id}
          className="patch"
          tabIndex={0}
          role="button"
          aria-label={words.patchArrowKeysMove(labels[patch.id] ?? patch.id)}
          onKeyDown={(event) => onKey(event, patch)}
          onPointerDown={(event) => start(event, 'move', patch)}
        >
          <PatchHold rect={patch.rect} least={HOLD * unit} />
          <rect className="patch-edge" {...patch.rect} />
          <rect className="patch-line" {...patch.rect} />
          <g transform={`translate(${patch.rect.x} ${patch.rect.y - 6 * unit}) scale(${unit})`}>
            <rect
              className="patch-label-back"
              x="-1"
              y="-16"
              width={(labels[patch.id] ?? patch.id).length * 7.2 + 8}
              height="19"
            />
            <text className="patch-label" x="3" y="-2">
              {labels[patch.id] ?? patch.id}
            </text>
          </g>
        </g>
      ))}
    </svg>
  );
};
