'use client';

import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState, type KeyboardEvent } from 'react';
import { printStops, printStopsDecimal } from '#core/units.ts';
import type { ChartPoint } from './greyChartModel.ts';
import { words } from '#ui/wording/lutsParts.ts';

export type ChartLine = { readonly name: string; readonly points: readonly ChartPoint[] };
export type ChartTone = { readonly id: string; readonly label: string; readonly stops: number };

const PLOT = { width: 560, height: 214 } as const;
const PAD = { left: 36, right: 12, top: 10, bottom: 22 } as const;
const STOPS = [-8, 8] as const;
const x = scaleLinear(STOPS, [PAD.left, PLOT.width - PAD.right]);
const y = scaleLinear([0, 105], [PLOT.height - PAD.bottom, PAD.top]);
const path = line<ChartPoint>(
  (p) => x(p.stops),
  (p) => y(Math.min(110, Math.max(-3, p.percent))),
);

const at = (points: readonly ChartPoint[], stops: number): number => {
  const after = points.findIndex((p) => p.stops >= stops);
  if (after <= 0) return (after === 0 ? points[0] : points[points.length - 1]).percent;
  const [a, b] = [points[after - 1], points[after]];
  return a.percent + ((stops - a.stops) / (b.stops - a.stops)) * (b.percent - a.percent);
};

/**
 * % on the picture over stops in the recording; the tones of the card are marked, a reading goes along by
 * pointer or arrow keys.
 */
export const GreyChart = ({ lines, tones }: { lines: readonly ChartLine[]; tones: readonly ChartTone[] }) => {
  const [cursor, setCursor] = useState<number>();
  const readings = (stops: number) =>
    lines.map(({ name, points }) => `${name} ${at(points, stops).toFixed(1)} %`).join(', ');
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1 / 3, ArrowRight: 1 / 3 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    setCursor((old) => Math.min(8, Math.max(-8, Math.round(((old ?? 0) + step) * 3) / 3)));
  };
  return (
    <svg
      className="chart lut-chart"
      viewBox={`0 0 ${PLOT.width} ${PLOT.height}`}
      tabIndex={0}
      role="img"
      aria-label={words.atStopsArrowKeys(printStopsDecimal(cursor ?? 0), readings(cursor ?? 0))}
      onKeyDown={onKey}
      onPointerMove={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        setCursor(Math.min(8, Math.max(-8, x.invert(((event.clientX - box.left) / box.width) * PLOT.width))));
      }}
      onPointerLeave={() => setCursor(undefined)}
    >
      {[0, 20, 40, 60, 80, 100].map((tick) => (
        <g key={tick} className="grid">
          <line x1={PAD.left} x2={PLOT.width - PAD.right} y1={y(tick)} y2={y(tick)} />
          <text x={PAD.left - 6} y={y(tick)} dy="0.32em" textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      {[-8, -6, -4, -2, 0, 2, 4, 6, 8].map((tick) => (
        <g key={tick} className={tick === 0 ? 'grid grid-grey' : 'grid'}>
          <line x1={x(tick)} x2={x(tick)} y1={PAD.top} y2={PLOT.height - PAD.bottom} />
          <text x={x(tick)} y={PLOT.height - PAD.bottom + 16} textAnchor="middle">
            {printStops(tick)}
          </text>
        </g>
      ))}
      <text className="axis-name" x={PAD.left + 4} y={PAD.top + 10}>
        {words.onThePictureOver}
      </text>
      {lines.map(({ name, points }, i) => (
        <path
          key={name}
          className={i === 0 ? 'curve' : 'curve curve-compared'}
          d={path([...points]) ?? undefined}
        />
      ))}
      {lines.length > 1 &&
        lines.map(({ name, points }, i) => (
          <text
            key={name}
            className={`curve-name${i === 0 ? '' : ' curve-compared'}`}
            x={x(-2.4)}
            y={y(at(points, -2.4)) - (i === 0 ? 8 : -20)}
            textAnchor="middle"
          >
            {name}
          </text>
        ))}
      {lines.length > 0 &&
        tones.map(({ id, label, stops }, i) => {
          const [px, py] = [x(stops), y(at(lines[0].points, stops))];
          const up = i % 2 === 0;
          return (
            <g key={id} className="lut-tone">
              <line x1={px} x2={px} y1={PLOT.height - PAD.bottom} y2={py} />
              <circle cx={px} cy={py} r="3.5" />
              <text x={px + (up ? -6 : 6)} y={py + (up ? -5 : 13)} textAnchor={up ? 'end' : 'start'}>
                {label}
              </text>
            </g>
          );
        })}
      {cursor !== undefined && lines.length > 0 && (
        <g className="chart-cursor">
          <line x1={x(cursor)} x2={x(cursor)} y1={PAD.top} y2={PLOT.height - PAD.bottom} />
          {lines.map(({ name, points }) => (
            <circle key={name} cx={x(cursor)} cy={y(at(points, cursor))} r="3.5" />
          ))}
          <text
            x={x(cursor) + (cursor > 0 ? -8 : 8)}
            y={PLOT.height - PAD.bottom - 8}
            textAnchor={cursor > 0 ? 'end' : 'start'}
          >
            {printStopsDecimal(cursor)} →{' '}
            {lines.map(({ points }) => `${at(points, cursor).toFixed(1)} %`).join(', ')}
          </text>
        </g>
      )}
    </svg>
  );
};
