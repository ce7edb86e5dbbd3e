'use client';

import { useMemo } from 'react';
import { useBench, useSession } from '#ui/bench/hooks.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import type { Size } from '#ui/parts/useSize.ts';
import type { JudgeLook } from '../useJudgeView.ts';
import { pictureScales } from './pictureScales.ts';
import type { Against } from './SecondLayer.tsx';
import { usePictureRequest } from './usePictureRequest.ts';

/** The picture as it is drawn: how large, held against what, and the canvas that the worker's answer is painted on. */
export const usePictureDrawing = (look: JudgeLook, room: Size) => {
  const { session } = useBench();
  const { frame, hasHero } = useSession((state) => ({
    frame: state.frame,
    hasHero: state.hero !== undefined,
  }));
  const against: Against | undefined =
    look.against === 'none' || (look.against === 'hero' && !hasHero) ? undefined : look.against;
  const isBeside = against !== undefined && look.beside;
  const { fitting, shown } = pictureScales(frame?.info, room, look.zoom, isBeside);
  const { request, problem: lutProblem } = usePictureRequest(look, shown);
  const serial = frame?.serial;
  const ask = useMemo(() => {
    if (!request || serial === undefined) return undefined;
    return (signal: AbortSignal) => session.look.picture(request, { signal });
  }, [session, serial, request]);
  const { canvas, problem, painted } = useCanvas(ask, 'picture');
  return { canvas, painted, problem: problem ?? lutProblem, request, against, isBeside, fitting, shown };
};

export type PictureDrawing = ReturnType<typeof usePictureDrawing>;
