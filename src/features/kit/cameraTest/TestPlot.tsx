'use client';

import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { Plot } from '#core/cameraTest/tell/types.ts';
import { words } from '#ui/wording/kitTest.ts';

const [WIDTH, HEIGHT] = [340, 190];
const PAD = { left: 40, right: 10, top: 10, bottom: 32 } as const;

const tickText = (tick: number) => String(Number(tick.toFixed(3))).replace('-', '−');

/** What was measured, and what was made of it. */
export const TestPlot = ({ plot }: { plot: Plot }) => {
  const { points, line: drawn = [], band = [] } = plot;
  const xs = [...points, ...drawn].map(([x]) => x);
  const ys = [...points, ...drawn].map(([, y]) => y);
  const [x0 = 0, x1 = 1] = extent(xs);
  const [y0 = 0, y1 = 1] = extent([...ys, 0]);
  const x = scaleLinear([x0, x1], [PAD.left, WIDTH - PAD.right]).nice(6);
  const y = scaleLinear([y0, y1], [HEIGHT - PAD.bottom, PAD.top]).nice(5);
  const path = line<readonly [number, number]>(
    ([at]) => x(at),
    ([, value]) => y(value),
  );
  const filled = area<readonly [number, number]>(
    ([at]) => x(at),
    ([, value], i) => y(value - (band[i] ?? 0)),
    ([, value], i) => y(value + (band[i] ?? 0)),
  );
  return (
    <figure className="test-plot">
      <svg
        className="chart"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={words.plotSays(plot.name, plot.y, plot.x)}
      >
        {y.ticks(5).map((tick) => (
          <g key={tick} className="grid">
            <line x1={PAD.left} x2={WIDTH - PAD.right} y1={y(tick)} y2={y(tick)} />
            <text x={PAD.left - 5} y={y(tick)} dy="0.32em" textAnchor="end">
              {tickText(tick)}
            </text>
          </g>
        ))}
        {x.ticks(6).map((tick) => (
          <g key={tick} className="grid">
            <text x={x(tick)} y={HEIGHT - PAD.bottom + 13} textAnchor="middle">
              {tickText(tick)}
            </text>
          </g>
        ))}
        {band.length > 0 && <path className="test-band" d={filled(drawn) ?? ''} />}
        {drawn.length > 1 && <path className="test-line" d={path(drawn) ?? ''} />}
        {points.map(([at, value], i) => (
          <circle key={`${at} ${i}`} className="test-dot" cx={x(at)} cy={y(value)} r={2.6} />
        ))}
        <g className="grid">
          <text x={WIDTH - PAD.right} y={HEIGHT - 4} textAnchor="end">
            {plot.x}
          </text>
        </g>
      </svg>
      <figcaption className="quiet">
        {plot.name}: {plot.y}
      </figcaption>
    </figure>
  );
};
