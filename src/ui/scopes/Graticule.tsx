'use client';

import {
  BAR_IDS,
  barPlace,
  placeAngle,
  SKIN_ANGLE,
  type ScopePlace,
} from '#core/scopes/vectorscopePicture.ts';
import { LUMA, type LumaId } from '#core/signal/luma.ts';
import type { Coding } from '#core/signal/scale.ts';
import { words } from '#ui/wording/judgeScopes.ts';

const LEVELS = [0.75, 1] as const;

/** Targets, rings and the skin axis of the vectorscope, on a square of `size`. */
export const Graticule = ({
  size,
  left,
  reach,
  matrix,
  coding,
  pointer,
}: {
  size: number;
  left: number;
  reach: number;
  matrix: LumaId;
  coding: Coding;
  pointer?: ScopePlace;
}) => {
  const half = size / 2;
  const at = ({ x, y }: ScopePlace): readonly [number, number] => [
    left + half + (x / reach) * half,
    half - (y / reach) * half,
  ];
  const skin = (SKIN_ANGLE * Math.PI) / 180;
  const [skinX, skinY] = at({ x: Math.cos(skin) * reach * 0.94, y: Math.sin(skin) * reach * 0.94 });
  const [cx, cy] = [left + half, half];
  const inside = ({ x, y }: ScopePlace) => Math.max(Math.abs(x), Math.abs(y)) <= reach * 0.99;
  return (
    <g className="graticule">
      {[0.25, 0.5, 0.75, 1].map((share) => (
        <circle key={share} cx={cx} cy={cy} r={share * half * 0.98} />
      ))}
      <line className="axis-line" x1={left} x2={left + size} y1={cy} y2={cy} />
      <line className="axis-line" x1={cx} x2={cx} y1={0} y2={size} />
      <line className="skin-line" x1={cx} y1={cy} x2={skinX} y2={skinY} />
      <text className="skin-name" x={skinX} y={skinY - 4} textAnchor="middle">
        {words.skin}
      </text>
      {BAR_IDS.flatMap((bar) =>
        LEVELS.map((level) => {
          const place = barPlace(bar, level, matrix, coding);
          if (!inside(place)) return null;
          const [x, y] = at(place);
          return (
            <g key={`${bar} ${level}`} className={level === 1 ? 'bar-full' : 'bar'}>
              <rect x={x - 4} y={y - 4} width="8" height="8" />
              {level === 0.75 && (
                <text x={x + 8} y={y} dy="0.32em">
                  {bar}
                </text>
              )}
            </g>
          );
        }),
      )}
      {pointer && (
        <text className="scope-readout" x={left + 4} y={14}>
          {placeAngle(pointer).toFixed(0)}°, {(100 * Math.hypot(pointer.x, pointer.y)).toFixed(0)} % of swing
        </text>
      )}
      <text className="quiet-name" x="4" y={size - 20}>
        {words.cbCr}
      </text>
      <text className="quiet-name" x="4" y={size - 5}>
        {LUMA[matrix].name}
      </text>
    </g>
  );
};
