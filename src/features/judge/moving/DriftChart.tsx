'use client';

import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { StripSample } from '#ui/bench/strip.ts';
import { printSigned, printStopsDecimal } from '#core/units.ts';
import { words } from '#ui/wording/judgeMoving.ts';

const LEFT = 4;

/** Exposure and white balance along a clip or the last minute: two lines, each on its own scale, named at its end. */
export const DriftChart = ({
  samples,
  range,
  width,
  height,
  at,
  planned,
  worst,
}: {
  samples: readonly StripSample[];
  /** First and last place along the chart. */
  range: readonly [number, number];
  width: number;
  height: number;
  /** Where the picture on the bench lies. */
  at?: number;
  /** Planned card, stops. */
  planned: number;
  worst?: number;
}) => {
  const right = width - 118;
  const x = scaleLinear([range[0], Math.max(range[0] + 1e-6, range[1])], [LEFT, Math.max(LEFT + 1, right)]);
  const byCard = samples.some((sample) => sample.byCard);
  const [low = -1, high = 1] = extent(samples, (sample) => sample.stops);
  const middle = byCard ? planned : (low + high) / 2;
  const reach = Math.max(0.5, 1.15 * Math.max(Math.abs(high - middle), Math.abs(low - middle)));
  const y = scaleLinear([middle - reach, middle + reach], [height - 3, 3]);
  const casts = samples.filter((sample) => sample.mired !== undefined);
  const most = Math.max(15, ...casts.map(({ mired = 0 }) => 1.15 * Math.abs(mired)));
  const yCast = scaleLinear([-most, most], [height - 3, 3]);
  const last = samples.at(-1);
  const lastCast = casts.at(-1);
  const stops = line<StripSample>(
    (sample) => x(sample.at),
    (sample) => y(Math.max(-12, sample.stops)),
  )(samples);
  const cast = line<StripSample>(
    (sample) => x(sample.at),
    ({ mired = 0 }) => yCast(mired),
  )(casts);
  return (
    <svg className="drift" width={width} height={height} role="img" aria-label={words.driftOfExposureAnd}>
      <line className="drift-zero" x1={LEFT} x2={right} y1={y(middle)} y2={y(middle)} />
      {cast && <path className="drift-cast" d={cast} />}
      {stops && <path className="drift-stops" d={stops} />}
      {worst !== undefined && <path className="drift-worst" d={`M${x(worst)} 2l5 5l-5 5l-5 -5Z`} />}
      {at !== undefined && <line className="drift-at" x1={x(at)} x2={x(at)} y1="0" y2={height} />}
      {last && (
        <text className="drift-name" x={right + 6} y={lastCast ? height * 0.36 : height / 2} dy="0.32em">
          {byCard ? 'card' : 'mean'} {printStopsDecimal(last.stops)}
        </text>
      )}
      {lastCast && (
        <text className="drift-name drift-name-cast" x={right + 6} y={height * 0.74} dy="0.32em">
          {printSigned(lastCast.mired ?? 0)} mired
        </text>
      )}
    </svg>
  );
};
