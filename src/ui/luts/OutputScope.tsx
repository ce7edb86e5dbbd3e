'use client';

import { useMemo } from 'react';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useSize } from '#ui/parts/useSize.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { words } from '#ui/wording/lutsOrder.ts';

type Tick = { readonly percent: number; readonly label: string };
const TICKS: readonly Tick[] = [0, 25, 50, 75, 100].map((percent) => ({ percent, label: String(percent) }));
/** Bottom and top of the axis, % of the picture's signal. */
const AXIS = [-5, 105] as const;

/** The waveform of the picture behind a LUT, in % of its signal. */
export const OutputScope = ({
  spec,
  pane,
  name,
  ticks = TICKS,
}: {
  spec: LutSpec;
  pane: string;
  name: string;
  /** What the axis is marked with; % of signal where nothing else is said. */
  ticks?: readonly Tick[];
}) => {
  const { session } = useBench();
  const selection = useSelection();
  const serial = useSession(({ frame }) => frame?.serial);
  const { data } = selection.profile;
  const [box, size] = useSize({ width: 300, height: 150 });
  const [columns, height] = [Math.max(60, Math.round(size.width)), Math.max(60, Math.round(size.height))];
  const ask = useMemo(() => {
    if (serial === undefined) return undefined;
    const request = {
      pane,
      scope: 'waveform',
      profile: data,
      scale: 'percent',
      axis: AXIS,
      columns,
      height,
      ramp: 'viridis',
      matrix: 'bt709',
      through: spec,
      brightness: 1,
      reach: 1,
      hold: false,
    } as const;
    return (signal: AbortSignal) => session.look.scope(request, { signal });
  }, [session, serial, data, spec, pane, columns, height]);
  const { canvas } = useCanvas(ask);
  const at = (percent: number) => 100 * (1 - (percent - AXIS[0]) / (AXIS[1] - AXIS[0]));
  return (
    <div className="lut-scope" ref={box}>
      <canvas ref={canvas} role="img" aria-label={words.waveformOfSignal(name)} />
      {ticks.map(({ percent, label }) => (
        <span key={label} style={{ top: `${at(percent)}%` }}>
          {label}
        </span>
      ))}
    </div>
  );
};
