'use client';

import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { startMatch } from '#workers/match/client.ts';
import { useBench } from '../hooks.ts';
import type { Services } from '../services.ts';
import { createMatchBench, type MatchBench, type MatchBenchState } from './matchBench.ts';

const benches = new WeakMap<Services, MatchBench>();

/** The match of this window, made when the step is first opened. */
export const useMatchBench = (): MatchBench => {
  const services = useBench();
  const bench = benches.get(services) ?? createMatchBench(startMatch);
  benches.set(services, bench);
  return bench;
};

/** Part of what lies on it. */
export const useOnMatchBench = <T>(part: (state: MatchBenchState) => T): T =>
  useStore(useMatchBench(), useShallow(part));
