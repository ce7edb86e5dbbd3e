'use client';

import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import type { Coding } from '#core/signal/scale.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { CodeStrip, STRIP } from './CodeStrip.tsx';
import { bandPoints, CURVE_STOPS, curvePoints, type BandPoint, type CurvePoint } from './curveModel.ts';
import { words } from '#ui/wording/kit.ts';

export type NamedCurve = { readonly name: string; readonly data: ProfileData };

const PLOT = { width: 560, height: 232 } as const;
const HEIGHT = PLOT.height + STRIP.height;
const PAD = { left: 38, right: 14, top: 12, bottom: 22 } as const;

const x = scaleLinear(CURVE_STOPS, [PAD.left, PLOT.width - PAD.right]);
const y = scaleLinear([0, 110], [PLOT.height - PAD.bottom, PAD.top]);

const path = line<CurvePoint>(
  (p) => x(p.stops),
  (p) => y(p.percent),
);
const ribbon = area<BandPoint>(
  (p) => x(p.stops),
  (p) => y(Math.max(0, p.low)),
  (p) => y(Math.min(110, p.high)),
);

const Curve = ({
  curve,
  kind,
  raise = 0,
}: {
  curve: NamedCurve;
  kind: 'main' | 'compared';
  raise?: number;
}) => {
  const profile = compileProfile(curve.data);
  const end = Math.min(CURVE_STOPS[1], profile.clipStops);
  const at = y(100 * profile.signalAt(end));
  const suffix = kind === 'main' ? '' : ' curve-compared';
  return (
    <>
      <path className={`curve${suffix}`} d={path(curvePoints(curve.data)) ?? undefined} />
      <circle className={`curve-end${suffix}`} cx={x(end)} cy={at} r="4" />
      <text className={`curve-name${suffix}`} x={x(end) - 8} y={at - 8 + raise} textAnchor="end">
        {curve.name}, clip {printStopsDecimal(profile.clipStops)}
      </text>
    </>
  );
};

/**
 * % of signal over stops: the profile, its uncertainty, one to compare, the others faint behind; codes a stop
 * below.
 */
export const ProfileChart = ({
  shown,
  compared,
  others,
  coding,
}: {
  shown: NamedCurve;
  compared?: NamedCurve;
  others: readonly NamedCurve[];
  coding: Coding;
}) => {
  const { name, data } = shown;
  const [cursor, setCursor] = useState(0);
  const profile = useMemo(() => compileProfile(data), [data]);
  const second = useMemo(() => compared && compileProfile(compared.data), [compared]);
  const faint = useMemo(
    () => others.map((other) => ({ ...other, points: curvePoints(other.data) })),
    [others],
  );
  const reading = 100 * profile.signalAt(cursor);
  const other = second && 100 * second.signalAt(cursor);
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1 / 3, ArrowRight: 1 / 3 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    setCursor((at) => Math.min(8, Math.max(-8, Math.round((at + step) * 3) / 3)));
  };
  // The read-out turns to the left before it runs out of the plot.
  const flip = compared ? -2 : 3;
  // Labels of two curves that end near each other are put apart.
  const near =
    second !== undefined &&
    Math.abs(second.clipStops - profile.clipStops) < 3 &&
    Math.abs(second.clipSignal - profile.clipSignal) < 0.09;
  const readAt = `${reading.toFixed(1)} % of signal at ${printStopsDecimal(cursor)} stops`;
  const against = compared && other !== undefined ? `, ${compared.name}: ${other.toFixed(1)} %` : '';
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${PLOT.width} ${HEIGHT}`}
      tabIndex={0}
      role="img"
      aria-label={words.arrowKeysMoveThe(name, readAt, against)}
      onKeyDown={onKey}
      onPointerMove={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const at = x.invert(((event.clientX - box.left) / box.width) * PLOT.width);
        setCursor(Math.min(8, Math.max(-8, at)));
      }}
    >
      {y.ticks(6).map((tick) => (
        <g key={tick} className="grid">
          <line x1={PAD.left} x2={PLOT.width - PAD.right} y1={y(tick)} y2={y(tick)} />
          <text x={PAD.left - 6} y={y(tick)} dy="0.32em" textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      {[-8, -6, -4, -2, 0, 2, 4, 6, 8].map((tick) => (
        <g key={tick} className={tick === 0 ? 'grid grid-grey' : 'grid'}>
          <line x1={x(tick)} x2={x(tick)} y1={PAD.top} y2={HEIGHT - 4} />
          <text x={x(tick)} y={PLOT.height - PAD.bottom + 16} textAnchor="middle">
            {printStops(tick)}
          </text>
        </g>
      ))}
      <text className="axis-name" x={PAD.left + 4} y={PAD.top + 10}>
        {words.ofSignalOverStops}
      </text>
      {faint.map((one) => (
        <path key={one.name} className="curve-faint" d={path(one.points) ?? undefined}>
          <title>{one.name}</title>
        </path>
      ))}
      <path className="curve-band" d={ribbon(bandPoints(data)) ?? undefined} />
      {compared && <Curve curve={compared} kind="compared" raise={near ? 34 : 0} />}
      <Curve curve={shown} kind="main" />
      <CodeStrip x={x} top={PLOT.height} data={data} compared={compared?.data} coding={coding} />
      <g className="chart-cursor">
        <line x1={x(cursor)} x2={x(cursor)} y1={PAD.top} y2={PLOT.height - PAD.bottom} />
        <circle cx={x(cursor)} cy={y(reading)} r="3.5" />
        {other !== undefined && <circle cx={x(cursor)} cy={y(other)} r="3.5" />}
        <text
          x={x(cursor) + (cursor > flip ? -8 : 8)}
          y={PLOT.height - PAD.bottom - 8}
          textAnchor={cursor > flip ? 'end' : 'start'}
        >
          {printStopsDecimal(cursor)} → {reading.toFixed(1)} %
          {compared && other !== undefined && `, ${compared.name} ${other.toFixed(1)} %`}
        </text>
      </g>
    </svg>
  );
};
