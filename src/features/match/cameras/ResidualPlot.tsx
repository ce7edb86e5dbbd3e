'use client';

import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';

const SIZE = 300;
const EDGE = 16;
const LEAST = 12;

/** Each patch in a* and b*: the hero's at the ring, the camera's as recorded and after the match as lines to it. */
export const ResidualPlot = ({ solved: { plotted } }: { solved: SolvedMatch }) => {
  const all = plotted.flatMap(({ hero, after }) => [hero[1], hero[2], after[1], after[2]]);
  const [low = 0, high = 0] = extent(all);
  const reach = Math.max(LEAST, -low, high) * 1.08;
  const at = scaleLinear([-reach, reach], [EDGE, SIZE - EDGE]);
  const ticks = at.ticks(5).filter((tick) => tick !== 0);
  const y = (v: number) => SIZE - at(v);
  return (
    <Panel title={words.residuals} note={words.residualNote}>
      <svg className="match-plot" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={words.residualPlot}>
        <clipPath id="match-plot-clip">
          <rect width={SIZE} height={SIZE} />
        </clipPath>
        {[0, ...ticks].map((tick) => (
          <g key={tick} className={tick === 0 ? 'axis' : 'grid'}>
            <line x1={at(tick)} x2={at(tick)} y1="0" y2={SIZE} />
            <line y1={y(tick)} y2={y(tick)} x1="0" x2={SIZE} />
          </g>
        ))}
        {ticks.map((tick) => (
          <text key={tick} x={at(tick)} y={y(0) + 12} textAnchor="middle">
            {tick}
          </text>
        ))}
        <g clipPath="url(#match-plot-clip)">
          {plotted.map(({ name, kind, hero, before, after }) => (
            <g key={name} className={`patch patch-${kind}`}>
              <title>{name}</title>
              <line
                className="from"
                x1={at(before[1])}
                y1={y(before[2])}
                x2={at(after[1])}
                y2={y(after[2])}
              />
              <line className="left" x1={at(after[1])} y1={y(after[2])} x2={at(hero[1])} y2={y(hero[2])} />
              <circle className="ring" cx={at(hero[1])} cy={y(hero[2])} r="4.5" />
              <circle className="point" cx={at(after[1])} cy={y(after[2])} r="2" />
            </g>
          ))}
        </g>
      </svg>
    </Panel>
  );
};
