'use client';

import { useMemo } from 'react';
import { compileProfile } from '#core/profile/index.ts';
import type { Rect } from '#core/frame/frame.ts';
import { matrixOfTags } from '#core/frame/tags.ts';
import { cardIn, profileOf } from '#core/practice/world.ts';
import type { Task } from '#core/practice/types.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { Graticule } from '#ui/scopes/Graticule.tsx';
import { scopeAxis } from '#ui/scopes/scopeAxes.ts';
import { words } from '#ui/wording/practise.ts';
import { drillPictures, type DrillCamera } from './useDrillCamera.ts';

const [COLUMNS, ROWS] = [640, 320];
/** Left of the trace stand its levels; the drawing's own units. */
const LEFT = 40;
/** A quarter of the colour plane: a cast of some mired is a short way. */
const REACH = 0.25;

/** A part of the picture in pixels of a frame. */
const regionOf = (
  { x, y, width, height }: Rect,
  frame: { readonly width: number; readonly height: number },
): Rect => ({
  x: Math.round(x * frame.width),
  y: Math.round(y * frame.height),
  width: Math.max(1, Math.round(width * frame.width)),
  height: Math.max(1, Math.round(height * frame.height)),
});

/** The scope that a task is read by, with its levels or targets. */
export const DrillScope = ({
  task,
  scope,
  shown,
}: {
  task: Task;
  scope: 'waveform' | 'vectorscope';
  shown: NonNullable<DrillCamera['shown']>;
}) => {
  const { data } = profileOf(task.camera, task.profileId);
  const { info, serial } = shown;
  const axis = useMemo(() => scopeAxis('stops', info, compileProfile(data)), [info, data]);
  const matrix = info.matrix ?? matrixOfTags(info.tags ?? {});
  const card = task.stage && cardIn(task.stage.scene);
  const ask = useMemo(() => {
    const request = {
      pane: `drill ${scope} ${serial}`,
      scope,
      profile: data,
      scale: 'stops' as const,
      axis: axis.range,
      columns: COLUMNS,
      height: ROWS,
      ramp: 'viridis' as const,
      matrix,
      brightness: 1,
      reach: REACH,
      hold: false,
      // Of the card alone: the colours of the room say nothing of the light.
      ...(card && scope === 'vectorscope' ? { region: regionOf(card.rect, info) } : {}),
    };
    return (signal: AbortSignal) => drillPictures().call('scope', request, { signal });
  }, [serial, scope, data, axis.range, matrix, card, info]);
  const { canvas, painted, problem } = useCanvas(ask);
  const [low, high] = axis.range;
  const isWave = scope === 'waveform';
  const place = (stops: number) => (ROWS * (high - stops)) / (high - low);
  return (
    <div className={`drill-scope drill-${scope}`} data-painted={painted}>
      <canvas ref={canvas} role="img" aria-label={isWave ? words.waveform : words.vectorscope} />
      <svg
        className="scope-grid"
        viewBox={isWave ? `0 0 ${COLUMNS} ${ROWS}` : `0 0 ${ROWS} ${ROWS}`}
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        {isWave ? (
          axis.ticks.map((stops) => (
            <g key={stops} className="grid">
              <line x1={LEFT} x2={COLUMNS} y1={place(stops)} y2={place(stops)} />
              <text x={4} y={place(stops) + 5}>
                {axis.print(stops)}
              </text>
            </g>
          ))
        ) : (
          <Graticule size={ROWS} left={0} reach={REACH} matrix={matrix} coding={info} />
        )}
      </svg>
      {problem && <p className="field-error">{problem}</p>}
    </div>
  );
};
