'use client';

import { useMemo, useState } from 'react';
import { matrixOfTags } from '#core/frame/tags.ts';
import type { LumaId } from '#core/signal/luma.ts';
import type { Coding } from '#core/signal/scale.ts';
import { useBench, useCard, useSession } from '#ui/bench/hooks.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { useSame } from '#ui/useSame.ts';
import { scopeAxis } from '#ui/scopes/scopeAxes.ts';
import { regionOf } from './scopeRegion.ts';
import type { ScopeChoice } from './useScopeChoice.ts';

/** Size of the drawing, in its own pixels. */
const COLUMNS = 640;
const ROWS = 320;

/** Colour difference at the edge of the vectorscope, of full swing: each press twice as large. */
export const REACHES = [1, 0.5, 0.25] as const;

/** How a scope is drawn, as it was set in its popover; `matrix` where another one than the recording's was picked. */
export type ScopeSettings = {
  readonly brightness: number;
  readonly hold: boolean;
  readonly zoom: number;
  readonly matrix?: LumaId;
};

/** A scope's drawing: settings, the axis it is read on, and the canvas that the worker's answer is painted on. */
export const useScopeDrawing = ({ slot, scope, scale, of }: ScopeChoice) => {
  const { session } = useBench();
  const { numbers, profile: shown } = useCard();
  const { frame, patches } = useSession((state) => ({ frame: state.frame, patches: state.patches }));
  const [settings, setSettings] = useState<ScopeSettings>({ brightness: 1, hold: false, zoom: 0 });
  const serial = frame?.serial;
  const info = frame?.info;
  const recorded = info?.matrix ?? matrixOfTags(info?.tags ?? {});
  const { brightness, hold, zoom, matrix = recorded } = settings;
  const reach = REACHES[zoom];
  const { bitDepth = 10, range = 'legal', feed } = info ?? {};
  const coding = useMemo((): Coding => ({ bitDepth, range, feed }), [bitDepth, range, feed]);
  const axis = useMemo(() => scopeAxis(scale, coding, numbers.profile), [scale, coding, numbers.profile]);
  const request = useSame({
    pane: slot,
    scope,
    profile: shown.data,
    scale,
    axis: axis.range,
    columns: COLUMNS,
    height: ROWS,
    ramp: 'viridis' as const,
    matrix,
    region: info && regionOf(of, patches, info),
    brightness,
    reach,
    hold,
  });
  const ask = useMemo(
    () =>
      serial === undefined ? undefined : (signal: AbortSignal) => session.look.scope(request, { signal }),
    [session, serial, request],
  );
  return {
    frame,
    settings,
    change: (part: Partial<ScopeSettings>) => setSettings((now) => ({ ...now, ...part })),
    axis,
    coding,
    matrix,
    recorded,
    reach,
    ...useCanvas(ask),
  };
};

export type ScopeDrawing = ReturnType<typeof useScopeDrawing>;
