'use client';

import { useMemo } from 'react';
import { useStore } from 'zustand';
import { signalToCode } from '#core/signal/scale.ts';
import type { PictureRequest } from '#workers/judge/protocol.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { useThrough } from '#ui/bench/useThrough.ts';
import type { JudgeLook } from '../useJudgeView.ts';
import { cardBands, exactBands } from './zebraBands.ts';

/** What the picture is asked as: the view, and what lies on it. Moving pictures that are shown small are thinned out. */
export const usePictureRequest = (look: JudgeLook, shownScale: number): PictureRequest | undefined => {
  const { bench, session, selection, numbers } = useBench();
  const { camera, plan } = selection;
  const profile = bench.draft?.data ?? selection.profile.data;
  const info = bench.frame?.info;
  const playing = useStore(session.moving, ({ running }) => running);
  const moves = playing || bench.stage?.running === true;
  const every = moves ? Math.max(1, Math.floor(1 / shownScale)) : 1;
  const { view, contours, range, warning, zebra, clips } = look;
  const through = useThrough(look.lut, look.lutScale);
  return useMemo(() => {
    if (!info) return undefined;
    const bands =
      zebra === 'exact'
        ? exactBands(numbers, plan, info)
        : cardBands(numbers, camera.zebra, camera.coding, info);
    const clipCode = signalToCode(numbers.profile.signalAt(numbers.clipStops - 1 / 24), info);
    return {
      profile,
      pullStops: plan.placement,
      view,
      ramp: 'viridis',
      contours,
      rangeZebras: range ? bands.ranges : [],
      warningZebra: warning ? bands.warning : undefined,
      ...(through ? { through } : {}),
      ...(clips ? { clipCode: Math.ceil(clipCode) } : {}),
      every,
    };
  }, [info, zebra, numbers, plan, camera, profile, view, contours, range, warning, clips, through, every]);
};
