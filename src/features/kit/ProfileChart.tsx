'use client';

import { area, line, scaleLinear } from 'd3';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { bandPoints, CURVE_STOPS, curvePoints, type BandPoint, type CurvePoint } from './curveModel.ts';

const SIZE = { width: 560, height: 300 } as const;
const PAD = { left: 38, right: 14, top: 12, bottom: 30 } as const;

const x = scaleLinear(CURVE_STOPS, [PAD.left, SIZE.width - PAD.right]);
const y = scaleLinear([0, 110], [SIZE.height - PAD.bottom, PAD.top]);

const path = line<CurvePoint>(
  (p) => x(p.stops),
  (p) => y(p.percent),
);
const ribbon = area<BandPoint>(
  (p) => x(p.stops),
  (p) => y(Math.max(0, p.low)),
  (p) => y(Math.min(110, p.high)),
);

/** % of signal over stops: the profile, its uncertainty, and the others faint behind. */
export const ProfileChart = ({
  name,
  data,
  others,
}: {
  name: string;
  data: ProfileData;
  others: readonly { readonly name: string; readonly data: ProfileData }[];
}) => {
  const [cursor, setCursor] = useState(0);
  const profile = useMemo(() => compileProfile(data), [data]);
  const faint = useMemo(
    () => others.map((other) => ({ ...other, points: curvePoints(other.data) })),
    [others],
  );
  const end = Math.min(CURVE_STOPS[1], profile.clipStops);
  const reading = 100 * profile.signalAt(cursor);
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1 / 3, ArrowRight: 1 / 3 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    setCursor((at) => Math.min(8, Math.max(-8, Math.round((at + step) * 3) / 3)));
  };
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      tabIndex={0}
      role="img"
      aria-label={`${name}: ${reading.toFixed(1)} % of signal at ${printStopsDecimal(cursor)} stops. Arrow keys move the reading.`}
      onKeyDown={onKey}
      onPointerMove={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const at = x.invert(((event.clientX - box.left) / box.width) * SIZE.width);
        setCursor(Math.min(8, Math.max(-8, at)));
      }}
    >
      {y.ticks(6).map((tick) => (
        <g key={tick} className="grid">
          <line x1={PAD.left} x2={SIZE.width - PAD.right} y1={y(tick)} y2={y(tick)} />
          <text x={PAD.left - 6} y={y(tick)} dy="0.32em" textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      {[-8, -6, -4, -2, 0, 2, 4, 6, 8].map((tick) => (
        <g key={tick} className={tick === 0 ? 'grid grid-grey' : 'grid'}>
          <line x1={x(tick)} x2={x(tick)} y1={PAD.top} y2={SIZE.height - PAD.bottom} />
          <text x={x(tick)} y={SIZE.height - PAD.bottom + 16} textAnchor="middle">
            {printStops(tick)}
          </text>
        </g>
      ))}
      <text className="axis-name" x={PAD.left + 4} y={PAD.top + 10}>
        % of signal
      </text>
      <text className="axis-name" x={SIZE.width - PAD.right} y={SIZE.height - 2} textAnchor="end">
        stops from middle grey
      </text>
      {faint.map((other) => (
        <path key={other.name} className="curve-faint" d={path(other.points) ?? undefined}>
          <title>{other.name}</title>
        </path>
      ))}
      <path className="curve-band" d={ribbon(bandPoints(data)) ?? undefined} />
      <path className="curve" d={path(curvePoints(data)) ?? undefined} />
      <circle className="curve-end" cx={x(end)} cy={y(100 * profile.signalAt(end))} r="4" />
      <text className="curve-name" x={x(end) - 8} y={y(100 * profile.signalAt(end)) - 8} textAnchor="end">
        {name}, clip {printStopsDecimal(profile.clipStops)}
      </text>
      <g className="chart-cursor">
        <line x1={x(cursor)} x2={x(cursor)} y1={PAD.top} y2={SIZE.height - PAD.bottom} />
        <circle cx={x(cursor)} cy={y(reading)} r="3.5" />
        <text
          x={x(cursor) + (cursor > 3 ? -8 : 8)}
          y={SIZE.height - PAD.bottom - 8}
          textAnchor={cursor > 3 ? 'end' : 'start'}
        >
          {printStopsDecimal(cursor)} → {reading.toFixed(1)} %
        </text>
      </g>
    </svg>
  );
};
