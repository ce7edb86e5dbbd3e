'use client';

import { useMemo, useState } from 'react';
import { SCALES } from '#core/signal/scale.ts';
import { printStopsDecimal } from '#core/units.ts';
import { useCard, useComparedProfile, useJudgement, useSelection } from '../bench/hooks.ts';
import { Term } from '../help/Term.tsx';
import { useSize } from '../parts/useSize.ts';
import { CardHandle } from './CardHandle.tsx';
import { LadderEnds, LadderScale } from './LadderScale.tsx';
import { CardMarks, LutCurve } from './LadderTones.tsx';
import { ladderGeometry, type LadderGeometry } from './ladderGeometry.ts';
import { later } from '../later.tsx';
import { words } from '#ui/wording/ladder.ts';

const FrameBars = later(() => import('./FrameBars.tsx').then((part) => part.FrameBars));
const SurveyedSpots = later(() => import('./SurveyedSpots.tsx').then((part) => part.SurveyedSpots));

/** What is read under the pointer: stops, and the camera's scale. */
const Readout = ({
  geometry: { left, right, width, y },
  stops,
}: {
  geometry: LadderGeometry;
  stops: number;
}) => {
  const { camera } = useSelection();
  const { numbers } = useCard();
  const reading = SCALES[camera.zebra.scale].fromSignal(numbers.profile.signalAt(stops), camera.coding);
  return (
    <g className="ladder-readout" transform={`translate(0 ${y(stops)})`} pointerEvents="none">
      <line x1={left} x2={width} />
      <rect x={right - 28} y={-22} width={width - right + 28} height={19} rx={2} />
      <text x={width - 5} y={-8} textAnchor="end">
        {printStopsDecimal(stops)} {reading.toFixed(1)}
      </text>
    </g>
  );
};

/** Where everything lies, in stops from middle grey. */
export const StopLadder = () => {
  const { plan, camera, setup } = useSelection();
  const { numbers, profile } = useCard();
  const { distribution } = useJudgement();
  const compared = useComparedProfile();
  const [box, size] = useSize({ width: 208, height: 640 });
  const geometry = useMemo(() => ladderGeometry(size), [size]);
  const [hover, setHover] = useState<number>();
  const [dragged, setDragged] = useState<number>();
  const placement = dragged ?? plan.placement;
  const { width, height, left, right, y, stopsAt } = geometry;
  return (
    <aside className="ladder" aria-label={words.stopLadder}>
      <header className="ladder-head">
        <strong>
          <Term id="stop">Stops</Term>
        </strong>
        <span className="quiet">
          {profile.isDraft ? `${profile.name} · ` : ''}
          {compared ? `in the bar ${compared.name}` : SCALES[camera.zebra.scale].name}
        </span>
      </header>
      <div className="ladder-box" ref={box}>
        <svg
          width={width}
          height={height}
          onPointerMove={({ clientY, currentTarget }) =>
            setHover(stopsAt(clientY - currentTarget.getBoundingClientRect().top))
          }
          onPointerLeave={() => setHover(undefined)}
        >
          <LadderScale geometry={geometry} numbers={numbers} compared={compared} />
          {distribution && <FrameBars geometry={geometry} distribution={distribution} />}
          <LadderEnds geometry={geometry} numbers={numbers} />
          {setup.spots.length > 0 && <SurveyedSpots geometry={geometry} placement={placement} />}
          {compared && (
            <line
              className="ladder-compared"
              x1={left}
              x2={right}
              y1={y(compared.data.clipStops)}
              y2={y(compared.data.clipStops)}
            />
          )}
          <LutCurve geometry={geometry} />
          <CardMarks geometry={geometry} placement={placement} />
          <CardHandle geometry={geometry} dragged={dragged} onDrag={setDragged} />
          {hover !== undefined && <Readout geometry={geometry} stops={hover} />}
        </svg>
      </div>
    </aside>
  );
};
