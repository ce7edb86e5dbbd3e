'use client';

import { curveLinearClosed, line } from 'd3-shape';
import { useEffect, useRef } from 'react';
import type { RoomBench } from '#ui/bench/room/roomBench.ts';
import { words } from '#ui/wording/room.ts';
import type { RoomPicture } from '#workers/room/protocol.ts';
import type { RoomCamera } from './roomModel.ts';

const [WIDE, HIGH, ROUND] = [640, 220, 220];
/** The axis of all waveforms, % of signal. */
const [LOW, TOP] = [-5, 109];
/** Strokes that are told apart without colour: whole, dashed, dotted, dash and dot. */
const STROKES = [undefined, '7 4', '2 3', '9 3 2 3'] as const;

const onAxis = (signal: number) => HIGH * (1 - (100 * signal - LOW) / (TOP - LOW));
const across = line<number>()
  .x((_, i, all) => (WIDE * i) / Math.max(1, all.length - 1))
  .y(onAxis);
const round = line<readonly [number, number]>()
  .x(([cb]) => ROUND * (0.5 + cb))
  .y(([, cr]) => ROUND * (0.5 - cr))
  .curve(curveLinearClosed);

/** The lines of one input over those of the others; they follow its pictures without drawing the page anew. */
const Lines = ({ bench, id, n }: { bench: RoomBench; id: string; n: number }) => {
  const paths = useRef<Partial<Record<'low' | 'middle' | 'high', SVGPathElement | null>>>({});
  useEffect(
    () =>
      bench.paint(id, ({ waveLine }: RoomPicture) => {
        for (const key of ['low', 'middle', 'high'] as const)
          paths.current[key]?.setAttribute('d', across(waveLine[key] as number[]) ?? '');
      }),
    [bench, id],
  );
  return (
    <g className={`room-line room-line-${n}`} strokeDasharray={STROKES[n]}>
      {(['low', 'middle', 'high'] as const).map((key) => (
        <path
          key={key}
          className={key}
          ref={(path) => {
            paths.current[key] = path;
          }}
        />
      ))}
    </g>
  );
};

const Loop = ({ bench, id, n }: { bench: RoomBench; id: string; n: number }) => {
  const path = useRef<SVGPathElement>(null);
  useEffect(
    () =>
      bench.paint(id, ({ vectorLine }) => {
        path.current?.setAttribute('d', round(vectorLine as [number, number][]) ?? '');
      }),
    [bench, id],
  );
  return <path ref={path} className={`room-line room-line-${n}`} strokeDasharray={STROKES[n]} />;
};

/** All inputs over each other on one scale, each in a stroke of its own. */
export const Outlines = ({ bench, cameras }: { bench: RoomBench; cameras: readonly RoomCamera[] }) => (
  <div className="room-outlines">
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={words.inOutlines} className="room-overlay">
      {[0, 25, 50, 75, 100].map((percent) => (
        <g key={percent}>
          <line className="grid" x1={0} x2={WIDE} y1={onAxis(percent / 100)} y2={onAxis(percent / 100)} />
          <text x={4} y={onAxis(percent / 100) - 3}>
            {percent} %
          </text>
        </g>
      ))}
      {cameras.map(({ id }, n) => (
        <Lines key={id} bench={bench} id={id} n={n} />
      ))}
    </svg>
    <svg
      viewBox={`0 0 ${ROUND} ${ROUND}`}
      role="img"
      aria-label={words.scopesAs}
      className="room-overlay round"
    >
      <line className="grid" x1={0} x2={ROUND} y1={ROUND / 2} y2={ROUND / 2} />
      <line className="grid" y1={0} y2={ROUND} x1={ROUND / 2} x2={ROUND / 2} />
      {cameras.map(({ id }, n) => (
        <Loop key={id} bench={bench} id={id} n={n} />
      ))}
    </svg>
    <ul className="room-key">
      {cameras.map(({ id, camera: { name } }, n) => (
        <li key={id}>
          <svg viewBox="0 0 40 8" aria-hidden="true" className="room-stroke">
            <line
              className={`room-line room-line-${n}`}
              x1={1}
              x2={39}
              y1={4}
              y2={4}
              strokeDasharray={STROKES[n]}
            />
          </svg>{' '}
          {name}
        </li>
      ))}
    </ul>
  </div>
);
