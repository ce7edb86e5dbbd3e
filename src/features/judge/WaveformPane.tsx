'use client';

import { scaleLinear } from 'd3';
import { useMemo } from 'react';
import { printStops } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { spreadLabels } from '#ui/ladder/ladderModel.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { useJudgeView } from './useJudgeView.ts';
import { usePixels } from '#ui/stage/usePixels.ts';

const COLUMNS = 640;
const ROWS = 320;

const AXES = {
  percent: { range: [-8, 110], ticks: [0, 20, 40, 60, 80, 100], print: (v: number) => `${v}` },
  stops: { range: [-8.6, 7], ticks: [-8, -6, -4, -2, 0, 2, 4, 6], print: printStops },
} as const;

const scales = [
  { id: 'percent', name: '%', says: '% of signal' },
  { id: 'stops', name: 'stops', says: 'Stops from middle grey, through the profile' },
] as const;

const LEFT = 34;

/** Luma waveform, in % of signal or in stops, each level in the colour of its stop. */
export const WaveformPane = () => {
  const { bench, session, selection, numbers } = useBench();
  const [{ scope }, setLook] = useJudgeView();
  const [box, { width, height }] = useSize({ width: 600, height: 220 });
  const axis = AXES[scope];
  const serial = bench.frame?.serial;
  const profile = bench.draft?.data ?? selection.profile.data;
  const ask = useMemo(() => {
    if (serial === undefined) return undefined;
    return () =>
      session.judge.call(
        'waveform',
        { profile, columns: COLUMNS, height: ROWS, scale: scope, axis: axis.range, ramp: 'viridis' },
        { latest: 'waveform' },
      );
  }, [session, serial, profile, scope, axis]);
  const { canvas, problem, painted } = usePixels(ask);
  const y = scaleLinear([axis.range[0], axis.range[1]], [height, 0]);
  const onAxis = (stops: number) => y(scope === 'stops' ? stops : 100 * numbers.profile.signalAt(stops));
  const marks = [
    { name: `card ${printStops(selection.plan.placement)}`, stops: selection.plan.placement },
    ...numbers.skin.map(({ subject, stops }) => ({ name: subject.name, stops })),
  ];
  const heights = spreadLabels(
    marks.map(({ stops }) => onAxis(stops) - 4),
    14,
  );
  const targets = marks.map((mark, i) => ({ ...mark, label: heights[i] }));
  return (
    <Panel
      className="waveform"
      title="Waveform"
      note={`luma, ${scope === 'stops' ? 'stops from grey' : '% of signal'}`}
      tools={
        <Segmented
          label="Waveform scale"
          options={scales}
          value={scope}
          onPick={(id) => void setLook({ scope: id })}
        />
      }
    >
      <div className="waveform-box" ref={box}>
        {bench.frame ? (
          <>
            <canvas
              ref={canvas}
              data-painted={painted}
              style={{ left: LEFT, width: Math.max(0, width - LEFT), height }}
            />
            <svg width={width} height={height} aria-hidden="true">
              {axis.ticks.map((tick) => (
                <g key={tick} className={tick === 0 ? 'grid grid-grey' : 'grid'}>
                  <line x1={LEFT} x2={width} y1={y(tick)} y2={y(tick)} />
                  <text x={LEFT - 6} y={y(tick)} dy="0.32em" textAnchor="end">
                    {axis.print(tick)}
                  </text>
                </g>
              ))}
              <line
                className="wave-clip"
                x1={LEFT}
                x2={width}
                y1={onAxis(numbers.clipStops)}
                y2={onAxis(numbers.clipStops)}
              />
              <text
                className="wave-clip-name"
                x={LEFT + 4}
                y={onAxis(numbers.clipStops) + (onAxis(numbers.clipStops) < 16 ? 14 : -4)}
              >
                clip
              </text>
              {targets.map(({ name, stops, label }) => (
                <g key={name} className="wave-target">
                  <line x1={LEFT} x2={width} y1={onAxis(stops)} y2={onAxis(stops)} />
                  <text x={width - 6} y={label} textAnchor="end">
                    {name}
                  </text>
                </g>
              ))}
            </svg>
          </>
        ) : (
          <Empty title="No frame, no waveform" />
        )}
        {problem && <p className="field-error">{problem}</p>}
      </div>
    </Panel>
  );
};
