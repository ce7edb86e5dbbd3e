'use client';

import { useMemo, useState } from 'react';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import type { InputOnBench } from '#ui/bench/room/roomState.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import { pairsOf } from './roomModel.ts';

/**
 * What lies between two running inputs, solved over their last pictures. The next is asked once the last was answered:
 * a slow machine solves less often, and never not at all.
 */
export const useLiveMatch = (pair: MatchPair, camera?: InputOnBench, hero?: InputOnBench) => {
  const bench = useMatchBench();
  const [from, to] = [camera?.patches, hero?.patches];
  const question = useMemo(() => {
    const patches = from && to ? pairsOf(from, to) : [];
    return patches.length > 0 ? { ...pair.readings, patches } : undefined;
  }, [from, to, pair.readings]);
  const [asked, setAsked] = useState(question);
  const { answer, busy, problem, old } = useAnswer({
    key: asked,
    ask: (signal) => bench.solvePatches(asked!, signal),
  });
  if (question !== asked && (!busy || question === undefined)) setAsked(question);
  return {
    solved: question === undefined || old ? undefined : answer,
    problem,
    hasThings: question !== undefined,
  };
};
