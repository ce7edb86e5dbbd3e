'use client';

import type { KeyboardEvent, PointerEvent } from 'react';
import { printStops } from '#core/units.ts';
import { useEditPlan, useSelection } from '../bench/hooks.ts';
import type { LadderGeometry } from './ladderGeometry.ts';
import { nudged } from './ladderModel.ts';
import { words } from '#ui/wording/ladder.ts';

const THIRDS: { readonly [key: string]: number } = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 3,
  PageDown: -3,
};

/** The card's arrow as a slider: dragged, or moved by arrow keys, by thirds. One edit a drag. */
export const CardHandle = ({
  geometry: { left, right, y, stopsAt },
  dragged,
  onDrag,
}: {
  geometry: LadderGeometry;
  /** Where it is while it is dragged. */
  dragged: number | undefined;
  onDrag: (placement: number | undefined) => void;
}) => {
  const { plan } = useSelection();
  const editPlan = useEditPlan();
  const placement = dragged ?? plan.placement;
  const place = (next: number) => {
    if (next !== plan.placement) editPlan(`Placement ${printStops(next)}`, { placement: next });
  };
  const onKey = (event: KeyboardEvent) => {
    const thirds = THIRDS[event.key];
    if (thirds === undefined) return;
    event.preventDefault();
    place(nudged(plan.placement, thirds));
  };
  const onMove = (event: PointerEvent<SVGElement>) => {
    const { currentTarget, pointerId, clientY } = event;
    if (!currentTarget.hasPointerCapture(pointerId)) return;
    const top = currentTarget.ownerSVGElement?.getBoundingClientRect().top ?? 0;
    onDrag(nudged(stopsAt(clientY - top), 0));
  };
  return (
    <rect
      className="ladder-handle"
      role="slider"
      tabIndex={0}
      aria-label={words.placementOfTheCard}
      aria-orientation="vertical"
      aria-valuemin={-3}
      aria-valuemax={3}
      aria-valuenow={Number(placement.toFixed(3))}
      aria-valuetext={`${printStops(placement)} stops`}
      x={left - 8}
      width={right - left + 16}
      y={y(placement) - 11}
      height={22}
      onKeyDown={onKey}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={onMove}
      onPointerUp={(event) => {
        if (dragged !== undefined) place(dragged);
        onDrag(undefined);
        event.currentTarget.releasePointerCapture(event.pointerId);
      }}
    />
  );
};
