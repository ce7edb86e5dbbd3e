'use client';

import { useMemo } from 'react';
import { lightTicks } from '#core/grade/lightLevels.ts';
import { OUTPUT_IDS, type OutputId } from '#core/lut/outputs.ts';
import { SKIN_ANGLE } from '#core/scopes/vectorscopePicture.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { OutputScope } from '#ui/luts/OutputScope.tsx';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { words } from '#ui/wording/grade.ts';

const SIZE = 160;
/** The skin line where Cb and Cr are drawn to one scale. */
const SKIN = (SKIN_ANGLE * Math.PI) / 180;

/** The colours of the picture behind a LUT; the skin line stands in it. */
const Vectors = ({ spec, pane, name }: { spec: LutSpec; pane: string; name: string }) => {
  const { session } = useBench();
  const { data } = useSelection().profile;
  const serial = useSession(({ frame }) => frame?.serial);
  const ask = useMemo(() => {
    if (serial === undefined) return undefined;
    const request = {
      pane,
      scope: 'vectorscope',
      profile: data,
      scale: 'percent',
      axis: [0, 100],
      columns: SIZE,
      height: SIZE,
      ramp: 'viridis',
      matrix: 'bt709',
      through: spec,
      brightness: 1,
      reach: 0.5,
      hold: false,
    } as const;
    return (signal: AbortSignal) => session.look.scope(request, { signal });
  }, [session, serial, data, spec, pane]);
  const { canvas } = useCanvas(ask);
  return (
    <div className="grade-vectors">
      <canvas ref={canvas} role="img" aria-label={words.vectors(name)} />
      <svg viewBox="-1 -1 2 2" aria-hidden="true">
        <path d="M-1 0H1M0 -1V1" />
        <path className="skin-line" d={`M0 0L${Math.cos(SKIN)} ${-Math.sin(SKIN)}`} />
      </svg>
    </div>
  );
};

const LIGHT_TICKS = Object.fromEntries(
  OUTPUT_IDS.map((id) => [
    id,
    lightTicks(id).map(({ signal, light }) => ({ percent: 100 * signal, label: String(light) })),
  ]),
);
/** Marks in cd/m2 for HDR; undefined where % of signal says it. */
const inLight = (output: OutputId) => (LIGHT_TICKS[output].length > 0 ? LIGHT_TICKS[output] : undefined);

/** Scopes of two pictures beside each other. */
export const GradeScopes = ({
  pairs,
}: {
  pairs: readonly {
    readonly id: string;
    readonly name: string;
    readonly spec: LutSpec;
    readonly output: OutputId;
  }[];
}) => (
  <div className="grade-scopes">
    {pairs.map(({ id, name, spec, output }) => (
      <figure key={id}>
        <figcaption>{inLight(output) ? words.inLight(name) : name}</figcaption>
        <div>
          <OutputScope spec={spec} pane={`grade-wave-${id}`} name={name} ticks={inLight(output)} />
          <Vectors spec={spec} pane={`grade-vectors-${id}`} name={name} />
        </div>
      </figure>
    ))}
  </div>
);
