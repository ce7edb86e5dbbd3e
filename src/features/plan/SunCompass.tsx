'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { printHours } from '#ui/bench/daylight.ts';
import { words } from '#ui/wording/planHour.ts';
import type { HourRow } from './hourModel.ts';

const [SIZE, MIDDLE, RING] = [220, 110, 84];
/** Half of the angle the view is drawn with, degrees; a step of the arrow keys. */
const HALF_VIEW = 22;
const STEP = 5;

const at = (bearing: number, radius: number): readonly [number, number] => {
  const turn = (bearing * Math.PI) / 180;
  return [MIDDLE + radius * Math.sin(turn), MIDDLE - radius * Math.cos(turn)];
};
const pointOf = (bearing: number, radius: number) =>
  at(bearing, radius)
    .map((v) => v.toFixed(1))
    .join(',');
const round = (bearing: number) => (((Math.round(bearing / STEP) * STEP) % 360) + 360) % 360;

/** From above: where the camera looks, dragged or turned by arrow keys, and where the sun stands meanwhile. */
export const SunCompass = ({
  bearing,
  rows,
  onTurn,
}: {
  bearing: number;
  rows: readonly HourRow[];
  onTurn: (bearing: number) => void;
}) => {
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<number>();
  const shown = drag ?? bearing;
  const bearingAt = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    return round((Math.atan2(x, -y) * 180) / Math.PI);
  };
  const end = () => {
    if (drag !== undefined && drag !== bearing) onTurn(drag);
    setDrag(undefined);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const turn = { ArrowLeft: -STEP, ArrowDown: -STEP, ArrowRight: STEP, ArrowUp: STEP }[event.key];
    if (turn === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    setDrag(round(shown + turn));
  };
  return (
    <svg
      ref={svg}
      className="sun-compass"
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="slider"
      tabIndex={0}
      aria-label={words.looksTo}
      aria-valuemin={0}
      aria-valuemax={360}
      aria-valuenow={shown}
      aria-valuetext={words.degrees(shown)}
      onKeyDown={onKeyDown}
      onKeyUp={end}
      onBlur={end}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrag(bearingAt(event));
      }}
      onPointerMove={(event) => {
        if (drag !== undefined) setDrag(bearingAt(event));
      }}
      onPointerUp={end}
      onPointerCancel={() => setDrag(undefined)}
    >
      <circle className="ring" cx={MIDDLE} cy={MIDDLE} r={RING} />
      {words.quarters.map((name, i) => {
        const [x, y] = at(90 * i, RING + 14);
        return (
          <text key={name} x={x} y={y + 4} textAnchor="middle">
            {name}
          </text>
        );
      })}
      <polygon
        className="view"
        points={`${MIDDLE},${MIDDLE} ${pointOf(shown - HALF_VIEW, RING - 8)} ${pointOf(shown + HALF_VIEW, RING - 8)}`}
      />
      {rows
        .filter(({ altitude }) => altitude > 0)
        .map(({ id, azimuth, altitude, hour }) => {
          // The higher the sun, the nearer to the middle.
          const [x, y] = at(azimuth, RING * Math.cos((altitude * Math.PI) / 180));
          return (
            <g key={id} className={`sun is-${id}`}>
              <line x1={MIDDLE} y1={MIDDLE} x2={x} y2={y} />
              <circle cx={x} cy={y} r={id === 'middle' ? 7 : 4}>
                <title>{printHours(hour)}</title>
              </circle>
            </g>
          );
        })}
    </svg>
  );
};
