'use client';

import { useMemo } from 'react';
import { useStore } from 'zustand';
import { CLIP_SLACK_STOPS } from '#core/scopes/measureFrame.ts';
import { signalToCode } from '#core/signal/scale.ts';
import type { PictureRequest } from '#workers/judge/protocol.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useThrough } from '#ui/bench/useThrough.ts';
import type { JudgeLook } from '../useJudgeView.ts';
import { cardBands, exactBands } from '#ui/stage/zebraBands.ts';

/**
 * What the picture is asked as: the view, and what lies on it. Moving pictures that are shown small are
 * thinned out.
 */
export const usePictureRequest = (look: JudgeLook, shownScale: number) => {
  const { session } = useBench();
  const { camera, plan } = useSelection();
  const {
    numbers,
    profile: { data: profile },
  } = useCard();
  const { info, live } = useSession(({ frame, stage }) => ({
    info: frame?.info,
    live: stage?.running === true,
  }));
  const playing = useStore(session.moving, ({ running }) => running);
  const moves = playing || live;
  const every = moves ? Math.max(1, Math.floor(1 / shownScale)) : 1;
  const { view, contours, range, warning, zebra, clips } = look;
  const { through, problem } = useThrough(look.lut);
  const request = useMemo((): PictureRequest | undefined => {
    if (!info) return undefined;
    const bands =
      zebra === 'exact'
        ? exactBands(numbers, plan, info)
        : cardBands(numbers, camera.zebra, camera.coding, info);
    const clipCode = signalToCode(numbers.profile.signalAt(numbers.clipStops - CLIP_SLACK_STOPS), info);
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
  return { request, problem };
};
