import { scaleLinear } from 'd3-scale';
import type { Source } from '#core/colour/balance.ts';
import { spreadLabels } from '#ui/ladder/ladderModel.ts';

const WIDTH = 440;
/** 10 000 K to about 1540 K. */
const ENDS = [100, 650] as const;
const TICKS = [10_000, 5600, 4300, 3200, 2400, 1900, 1600];
const x = scaleLinear(ENDS, [10, WIDTH - 10]).clamp(true);
const BAR = { y: 34, height: 12 } as const;
const LINE = 17;

/** The lights that play on the mired scale, cold left and warm right, with what the camera is set to. */
export const MiredScale = ({ sources, dial }: { sources: readonly Source[]; dial: number }) => {
  const sorted = sources.toSorted((a, b) => b.kelvin - a.kelvin);
  const height = BAR.y + BAR.height + 34 + LINE * Math.max(1, sorted.length);
  const rows = spreadLabels(
    sorted.map((_, i) => BAR.y + BAR.height + 36 + i * LINE),
    LINE,
  );
  const words = sorted
    .map(({ name, kelvin }) => `${name} ${(1e6 / kelvin).toFixed(0)} mired`)
    .concat(`set to ${(1e6 / dial).toFixed(0)} mired`)
    .join(', ');
  return (
    <svg className="mired" viewBox={`0 0 ${WIDTH} ${height}`} role="img" aria-label={words}>
      <defs>
        <linearGradient id="cold-to-warm">
          <stop offset="0" stopColor="#9cc2ff" />
          <stop offset="0.25" stopColor="#f4f1ee" />
          <stop offset="1" stopColor="#ff9a45" />
        </linearGradient>
      </defs>
      <rect x={x(ENDS[0])} width={x(ENDS[1]) - x(ENDS[0])} {...BAR} fill="url(#cold-to-warm)" />
      {TICKS.map((kelvin) => (
        <g key={kelvin} className="grid">
          <line x1={x(1e6 / kelvin)} x2={x(1e6 / kelvin)} y1={BAR.y} y2={BAR.y + BAR.height + 4} />
          <text
            x={x(1e6 / kelvin)}
            y={BAR.y + BAR.height + 18}
            textAnchor={kelvin === TICKS[0] ? 'start' : 'middle'}
          >
            {kelvin}
          </text>
        </g>
      ))}
      {sorted.map((source, i) => {
        const at = x(1e6 / source.kelvin);
        const left = at > WIDTH / 2;
        return (
          <g key={source.id} className={source.id === sources[0].id ? 'mired-source first' : 'mired-source'}>
            <line x1={at} x2={at} y1={BAR.y - 3} y2={rows[i] - 4} />
            <circle cx={at} cy={BAR.y + BAR.height / 2} r={5} />
            <text x={left ? at - 6 : at + 6} y={rows[i]} textAnchor={left ? 'end' : 'start'}>
              {source.name} {(1e6 / source.kelvin).toFixed(0)}
            </text>
          </g>
        );
      })}
      <g className="mired-dial">
        <path d={`M${x(1e6 / dial)},${BAR.y - 1} l-6,-10 h12 z`} />
        <text
          x={x(1e6 / dial)}
          y={BAR.y - 16}
          textAnchor={
            x(1e6 / dial) > WIDTH * 0.75 ? 'end' : x(1e6 / dial) < WIDTH * 0.25 ? 'start' : 'middle'
          }
        >
          camera at {dial} K, {(1e6 / dial).toFixed(0)} mired
        </text>
      </g>
    </svg>
  );
};
