'use client';

import { useMemo } from 'react';
import { useCard, useSelection, useSession } from '../bench/hooks.ts';
import type { LadderGeometry } from './ladderGeometry.ts';
import { LADDER_RANGE, ladderMarks, spreadLabels } from './ladderModel.ts';

type Props = { readonly geometry: LadderGeometry };
export type PlacedOnLadder = Props & {
  /** Where the card is placed, stops over grey; while it is dragged, where it would be. */
  readonly placement: number;
};

/** A LUT's output over stops, across the bar; it moves with the slider that bends it, and the ladder stays. */
export const LutCurve = ({ geometry: { left, right, y, isNarrow } }: Props) => {
  const laid = useSession((state) => state.laid);
  if (!laid) return null;
  const at = ([stops, share]: (typeof laid.points)[number]) =>
    `${(left + share * (right - left)).toFixed(1)},${y(stops).toFixed(1)}`;
  return (
    <g className="ladder-laid">
      <path d={`M${laid.points.map(at).join('L')}`} />
      {!isNarrow && (
        <text x={left + 2} y={y(LADDER_RANGE[1]) + 12}>
          {laid.name}
        </text>
      )}
    </g>
  );
};

/** Arrows of the set card: card, each face, white, warning. What hangs on the placement moves with it. */
export const CardMarks = ({ geometry: { left, right, y }, placement }: PlacedOnLadder) => {
  const { plan } = useSelection();
  const { numbers } = useCard();
  const shift = placement - plan.placement;
  const marks = useMemo(
    () =>
      ladderMarks(numbers, plan.placement, plan.warningMargin).map((mark) =>
        mark.kind === 'warning' ? mark : { ...mark, stops: mark.stops + shift },
      ),
    [numbers, plan, shift],
  );
  const labels = spreadLabels(
    marks.map(({ stops }) => y(stops) - 4),
    13,
  );
  return marks.map(({ id, kind, label, stops }, i) => (
    <g key={id} className={`mark mark-${kind}`}>
      <line x1={left - 3} x2={right + 3} y1={y(stops)} y2={y(stops)} />
      <path d={`M${left - 4},${y(stops)} l8,-4.5 v9 z`} />
      <path d={`M${right + 4},${y(stops)} l-8,-4.5 v9 z`} />
      <text x={left + 10} y={labels[i]}>
        {label}
      </text>
    </g>
  ));
};
