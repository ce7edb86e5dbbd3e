'use client';

import { scaleLinear } from 'd3-scale';
import { printStops } from '#core/units.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { spreadLabels } from '#ui/ladder/ladderModel.ts';
import type { ScopeAxis } from '#ui/scopes/scopeAxes.ts';
import { BELOW, LEFT } from './scopeGeometry.ts';

/** Lines of the set card on a scope's axis. */
const useTargets = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  return [
    { name: `card ${printStops(selection.plan.placement)}`, stops: selection.plan.placement, kind: 'target' },
    ...numbers.skin.map(({ subject, stops }) => ({ name: subject.name, stops, kind: 'target' })),
    { name: 'clip', stops: numbers.clipStops, kind: 'clip' },
  ] as const;
};

/** Grid, card lines and readout of a waveform (levels upwards) or a histogram (levels to the right). */
export const Levels = ({
  axis,
  width,
  height,
  along,
  pointer,
}: {
  axis: ScopeAxis;
  width: number;
  height: number;
  along: 'up' | 'right';
  pointer?: number;
}) => {
  const targets = useTargets();
  const up = along === 'up';
  const place = up
    ? scaleLinear([axis.range[0], axis.range[1]], [height, 0])
    : scaleLinear([axis.range[0], axis.range[1]], [LEFT, width]);
  const end = up ? height : height - BELOW;
  const line = (v: number) =>
    up ? { x1: LEFT, x2: width, y1: place(v), y2: place(v) } : { x1: place(v), x2: place(v), y1: 0, y2: end };
  const labels = spreadLabels(
    targets.map(({ stops }) => place(axis.ofStops(stops)) - (up ? 4 : 0)),
    up ? 14 : 68,
  );
  return (
    <>
      {axis.ticks.map((tick) => (
        <g key={tick} className={tick === 0 ? 'grid grid-grey' : 'grid'}>
          <line {...line(tick)} />
          {up ? (
            <text
              x={LEFT - 5}
              y={Math.min(height - 6, Math.max(8, place(tick)))}
              dy="0.32em"
              textAnchor="end"
            >
              {axis.print(tick)}
            </text>
          ) : (
            <text
              x={Math.min(width - 12, Math.max(LEFT + 4, place(tick)))}
              y={height - 5}
              textAnchor="middle"
            >
              {axis.print(tick)}
            </text>
          )}
        </g>
      ))}
      {targets.map(({ name, stops, kind }, i) => (
        <g key={name} className={kind === 'clip' ? 'wave-clip-mark' : 'wave-target'}>
          <line {...line(axis.ofStops(stops))} />
          <text
            x={up ? (kind === 'clip' ? LEFT + 4 : width - 6) : labels[i] + 3}
            y={up ? (labels[i] < 12 ? labels[i] + 18 : labels[i]) : 12}
            textAnchor={up && kind !== 'clip' ? 'end' : 'start'}
          >
            {name}
          </text>
        </g>
      ))}
      {pointer !== undefined && (
        <g className="scope-pointer">
          <line {...line(pointer)} />
          <text
            className="scope-readout"
            x={up ? LEFT + 60 : Math.min(width - 150, place(pointer) + 5)}
            y={up ? Math.max(14, place(pointer) - 4) : 28}
          >
            {axis.read(pointer)}
          </text>
        </g>
      )}
    </>
  );
};
