'use client';

import { scaleLinear } from 'd3-scale';
import type { Depth } from '#core/lens/depth.ts';
import type { LensUse } from '#core/lens/depthWishes.ts';
import { words } from '#ui/wording/planLens.ts';
import { printMetres } from './printLens.ts';

const [WIDTH, HEIGHT, LEFT, RIGHT] = [640, 132, 46, 16];
const [TOP, FLOOR] = [22, 96];

/** From the side: the lens, what is sharp, what is focused on, the background. */
export const DepthDrawing = ({ use, depth }: { use: LensUse; depth: Depth }) => {
  const { distance, behind } = use;
  const end = Math.max(1.5 * distance, 1.12 * (behind ?? 0), Math.min(1.15 * depth.far, 4 * distance));
  const x = scaleLinear([0, end], [LEFT, WIDTH - RIGHT]);
  const to = x(Math.min(depth.far, end));
  const middle = (TOP + FLOOR) / 2;
  const says = words.drawing(printMetres(depth.near), printMetres(depth.far));
  return (
    <svg className="depth-drawing" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={says}>
      <rect className="lens-body" x={6} y={middle - 14} width={26} height={28} rx={3} />
      <rect className="lens-body" x={32} y={middle - 9} width={LEFT - 32} height={18} />
      <path className="lens-view" d={`M${LEFT} ${middle}L${WIDTH - RIGHT} ${TOP}V${FLOOR}Z`} />
      <rect
        className="sharp"
        x={x(depth.near)}
        y={TOP}
        width={Math.max(2, to - x(depth.near))}
        height={FLOOR - TOP}
      />
      <line className="focus" x1={x(distance)} x2={x(distance)} y1={TOP - 6} y2={FLOOR + 6} />
      <text x={x(distance)} y={TOP - 10} textAnchor="middle">
        {words.focusHere} {printMetres(distance)}
      </text>
      {behind !== undefined && (
        <>
          <line className="background" x1={x(behind)} x2={x(behind)} y1={TOP} y2={FLOOR} />
          <text x={Math.min(x(behind), WIDTH - RIGHT - 40)} y={TOP - 10} textAnchor="middle">
            {words.backgroundHere}
          </text>
        </>
      )}
      <text x={x(depth.near) - 4} y={FLOOR + 20} textAnchor="end">
        {printMetres(depth.near)}
      </text>
      <text x={to + 4} y={FLOOR + 20} textAnchor={to > WIDTH - 70 ? 'end' : 'start'}>
        {printMetres(depth.far)}
      </text>
    </svg>
  );
};
