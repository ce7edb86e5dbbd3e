import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { ProfileData } from '#core/profile/index.ts';
import type { Coding } from '#core/signal/scale.ts';
import { codeSteps } from './curveModel.ts';

export const STRIP = { height: 78 } as const;
const LABEL = 15;

/** Code values from each stop to the next, as bars; a compared profile as a tick over each. */
export const CodeStrip = ({
  x,
  top,
  data,
  compared,
  coding,
}: {
  x: ScaleLinear<number, number>;
  top: number;
  data: ProfileData;
  compared?: ProfileData;
  coding: Coding;
}) => {
  const steps = codeSteps(data, coding);
  const other = compared ? codeSteps(compared, coding) : [];
  const most = Math.max(...steps.map(({ codes }) => codes), ...other.map(({ codes }) => codes), 1);
  const height = scaleLinear([0, most], [0, STRIP.height - 2 * LABEL - 8]);
  const floor = top + STRIP.height - 4;
  return (
    <g>
      <text className="axis-name" x={x.range()[0] + 4} y={top + 12}>
        codes a stop, {coding.bitDepth}-bit {coding.range}
      </text>
      {steps.map(({ stops, codes }) => (
        <g key={stops}>
          <rect
            className="code-bar"
            x={x(stops) + 2}
            width={x(stops + 1) - x(stops) - 4}
            y={floor - height(codes)}
            height={Math.max(0.5, height(codes))}
          />
          <text
            className="code-count"
            x={(x(stops) + x(stops + 1)) / 2}
            y={
              floor -
              Math.max(height(codes), height(other.find((step) => step.stops === stops)?.codes ?? 0)) -
              4
            }
            textAnchor="middle"
          >
            {codes.toFixed(0)}
          </text>
        </g>
      ))}
      {other.map(({ stops, codes }) => (
        <line
          key={stops}
          className="code-compared"
          x1={x(stops) + 1}
          x2={x(stops + 1) - 1}
          y1={floor - height(codes)}
          y2={floor - height(codes)}
        />
      ))}
    </g>
  );
};
