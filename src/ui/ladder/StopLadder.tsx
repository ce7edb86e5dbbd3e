'use client';

import { scaleLinear } from 'd3-scale';
import { useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { surveyOf } from '#core/exposure/survey.ts';
import { rampColour } from '#core/scopes/ramp.ts';
import { SCALES } from '#core/signal/scale.ts';
import { printStops, printStopsExact, printStopsDecimal } from '#core/units.ts';
import {
  useCard,
  useComparedProfile,
  useEditPlan,
  useJudgement,
  useSelection,
  useSession,
} from '../bench/hooks.ts';
import { useSize } from '../parts/useSize.ts';
import {
  comparedReading,
  LADDER_RANGE,
  ladderMarks,
  ladderRungs,
  nudged,
  spreadLabels,
} from './ladderModel.ts';

/** Below this width the readings go and the marks stay. */
const NARROW = 150;
const PAD = { top: 10, bottom: 14 } as const;

/** A LUT's output over stops, across the bar; it moves with the slider that bends it, and the ladder stays. */
const LaidCurve = ({
  y,
  left,
  right,
  isNamed,
}: {
  y: (stops: number) => number;
  left: number;
  right: number;
  isNamed: boolean;
}) => {
  const laid = useSession((state) => state.laid);
  if (!laid) return null;
  const at = ([stops, share]: (typeof laid.points)[number]) =>
    `${(left + share * (right - left)).toFixed(1)},${y(stops).toFixed(1)}`;
  return (
    <g className="ladder-laid">
      <path d={`M${laid.points.map(at).join('L')}`} />
      {isNamed && (
        <text x={left + 2} y={y(LADDER_RANGE[1]) + 12}>
          {laid.name}
        </text>
      )}
    </g>
  );
};

/** Where everything lies, in stops from middle grey. The card's arrow is a slider: drag it, or arrow keys by thirds. */
export const StopLadder = () => {
  const selection = useSelection();
  const { numbers, profile } = useCard();
  const { distribution } = useJudgement();
  const editPlan = useEditPlan();
  const compared = useComparedProfile();
  const [box, size] = useSize({ width: 208, height: 640 });
  const width = Math.max(80, size.width);
  const height = Math.max(300, size.height);
  const narrow = width < NARROW;
  const BAR = narrow ? { left: 34, right: width - 8 } : { left: 48, right: width - 56 };
  const [hover, setHover] = useState<number>();
  const [dragged, setDragged] = useState<number>();
  const { plan, camera } = selection;
  const placement = dragged ?? plan.placement;
  const scaleId = camera.zebra.scale;
  const scene = useMemo(() => {
    const { spots, meterK, meterC } = selection.setup;
    const found = surveyOf(spots, selection.subjects, { k: meterK, c: meterC });
    return found.ok && found.value.spots.length > 0 ? found.value : undefined;
  }, [selection.setup, selection.subjects]);

  const y = useMemo(() => scaleLinear(LADDER_RANGE, [height - PAD.bottom, PAD.top]).clamp(true), [height]);
  const rungs = useMemo(
    () => ladderRungs(numbers, scaleId, camera.coding),
    [numbers, scaleId, camera.coding],
  );
  const shift = placement - plan.placement;
  const marks = useMemo(
    () =>
      ladderMarks(numbers, plan.placement, plan.warningMargin).map((mark) =>
        mark.kind === 'warning' ? mark : { ...mark, stops: mark.stops + shift },
      ),
    [numbers, plan, shift],
  );
  const labelsAt = spreadLabels(
    marks.map((mark) => y(mark.stops) - 4),
    13,
  );

  const place = (next: number) => {
    if (next !== plan.placement) editPlan(`Placement ${printStops(next)}`, { placement: next });
  };
  const onKey = (event: KeyboardEvent) => {
    const thirds = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 3, PageDown: -3 }[
      event.key
    ];
    if (thirds === undefined) return;
    event.preventDefault();
    place(nudged(plan.placement, thirds));
  };
  const stopsUnder = (event: PointerEvent<SVGElement>) => {
    const svg = event.currentTarget.ownerSVGElement ?? (event.currentTarget as unknown as SVGSVGElement);
    return y.invert(event.clientY - svg.getBoundingClientRect().top);
  };
  const onDrag = (event: PointerEvent<SVGElement>) => {
    if (event.currentTarget.hasPointerCapture(event.pointerId)) setDragged(nudged(stopsUnder(event), 0));
  };

  const middle = (BAR.left + BAR.right) / 2;
  const peak = Math.max(1e-9, ...(distribution?.bins.map(({ share }) => share) ?? []));
  const readOut = hover === undefined ? undefined : numbers.profile.signalAt(hover);

  return (
    <aside className="ladder" aria-label="Stop ladder">
      <header className="ladder-head">
        <strong>Stops</strong>
        <span className="quiet">
          {profile.isDraft ? `${profile.name} · ` : ''}
          {compared ? `in the bar ${compared.name}` : SCALES[scaleId].name}
        </span>
      </header>
      <div className="ladder-box" ref={box}>
        <svg
          width={width}
          height={height}
          onPointerMove={(event) =>
            setHover(y.invert(event.clientY - event.currentTarget.getBoundingClientRect().top))
          }
          onPointerLeave={() => setHover(undefined)}
        >
          <defs>
            <pattern
              id="lost"
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="7" height="7" className="ladder-lost-back" />
              <rect width="3" height="7" className="ladder-lost-line" />
            </pattern>
            <pattern id="floor" width="5" height="5" patternUnits="userSpaceOnUse">
              <circle cx="1.5" cy="1.5" r="0.9" className="ladder-dot" />
            </pattern>
          </defs>
          <rect
            x={BAR.left}
            width={BAR.right - BAR.left}
            y={y(LADDER_RANGE[1])}
            height={Math.max(0, y(numbers.clipStops) - y(LADDER_RANGE[1]))}
            fill="url(#lost)"
          />
          <rect
            x={BAR.left}
            width={BAR.right - BAR.left}
            y={y(numbers.floorStops)}
            height={Math.max(0, y(LADDER_RANGE[0]) - y(numbers.floorStops))}
            fill="url(#floor)"
          />
          {rungs.map(({ stops, label, reading }) => (
            <g
              key={stops}
              transform={`translate(0 ${y(stops)})`}
              className={stops === 0 ? 'rung rung-grey' : 'rung'}
            >
              <line x1={BAR.left} x2={BAR.right} />
              <text
                x={BAR.left - 8}
                dy="0.32em"
                textAnchor="end"
                className={reading === undefined ? 'dim' : undefined}
              >
                {label}
              </text>
              {!narrow && (
                <text x={width - 8} dy="0.32em" textAnchor="end" className="rung-reading">
                  {reading ?? '–'}
                </text>
              )}
              {!narrow && compared && (
                <text x={middle - 4} dy="0.32em" textAnchor="middle" className="rung-compared">
                  {comparedReading(compared.data, scaleId, camera.coding, stops) ?? '–'}
                </text>
              )}
            </g>
          ))}
          {distribution?.bins.map(({ stops, share }) =>
            share <= 1e-5 || stops < LADDER_RANGE[0] || stops > LADDER_RANGE[1] ? null : (
              <rect
                key={stops}
                x={middle - (Math.sqrt(share / peak) * (BAR.right - BAR.left)) / 2}
                width={Math.sqrt(share / peak) * (BAR.right - BAR.left)}
                y={y(stops + 0.5 / distribution.perStop)}
                height={y(stops - 0.5 / distribution.perStop) - y(stops + 0.5 / distribution.perStop) + 0.4}
                fill={rampColour('viridis', stops)}
              />
            ),
          )}
          <text x={BAR.right - 4} y={y(numbers.clipStops) - 3} className="ladder-edge" textAnchor="end">
            clip {printStopsDecimal(numbers.clipStops)}
          </text>
          <text x={BAR.right - 4} y={y(numbers.floorStops) + 13} className="ladder-edge" textAnchor="end">
            floor {printStopsExact(numbers.floorStops)}
          </text>
          {scene && (
            <g className="scene">
              <line
                x1={BAR.left + 5}
                x2={BAR.left + 5}
                y1={y(placement + scene.keep[0])}
                y2={y(placement + scene.keep[1])}
              />
              {scene.spots.map(({ spot, stops }) => (
                <circle
                  key={spot.id}
                  className={spot.role === 'light' || spot.role === 'mayLose' ? 'scene-loose' : undefined}
                  cx={BAR.left + 5}
                  cy={y(placement + stops)}
                  r={4}
                >
                  <title>{`${spot.name} ${printStopsDecimal(placement + stops)}`}</title>
                </circle>
              ))}
            </g>
          )}
          {compared && (
            <line
              className="ladder-compared"
              x1={BAR.left}
              x2={BAR.right}
              y1={y(compared.data.clipStops)}
              y2={y(compared.data.clipStops)}
            />
          )}
          <LaidCurve y={y} left={BAR.left} right={BAR.right} isNamed={!narrow} />
          {marks.map((mark, i) => (
            <g key={mark.id} className={`mark mark-${mark.kind}`}>
              <line x1={BAR.left - 3} x2={BAR.right + 3} y1={y(mark.stops)} y2={y(mark.stops)} />
              <path d={`M${BAR.left - 4},${y(mark.stops)} l8,-4.5 v9 z`} />
              <path d={`M${BAR.right + 4},${y(mark.stops)} l-8,-4.5 v9 z`} />
              <text x={BAR.left + 10} y={labelsAt[i]}>
                {mark.label}
              </text>
            </g>
          ))}
          <rect
            className="ladder-handle"
            role="slider"
            tabIndex={0}
            aria-label="Placement of the card"
            aria-orientation="vertical"
            aria-valuemin={-3}
            aria-valuemax={3}
            aria-valuenow={Number(placement.toFixed(3))}
            aria-valuetext={`${printStops(placement)} stops`}
            x={BAR.left - 8}
            width={BAR.right - BAR.left + 16}
            y={y(placement) - 11}
            height={22}
            onKeyDown={onKey}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={onDrag}
            onPointerUp={(event) => {
              if (dragged !== undefined) place(dragged);
              setDragged(undefined);
              event.currentTarget.releasePointerCapture(event.pointerId);
            }}
          />
          {hover !== undefined && readOut !== undefined && (
            <g className="ladder-readout" transform={`translate(0 ${y(hover)})`} pointerEvents="none">
              <line x1={BAR.left} x2={width} />
              <rect x={BAR.right - 28} y={-22} width={width - BAR.right + 28} height={19} rx={2} />
              <text x={width - 5} y={-8} textAnchor="end">
                {printStopsDecimal(hover)} {SCALES[scaleId].fromSignal(readOut, camera.coding).toFixed(1)}
              </text>
            </g>
          )}
        </svg>
      </div>
    </aside>
  );
};
