'use client';

import { startBracket } from '#workers/bracket/client.ts';
import { createBracket, type Bracket } from './bracket.ts';
import { useBench } from './hooks.ts';
import type { Services } from './services.ts';

const brackets = new WeakMap<Services, Bracket>();

/** Frames of filmed brackets of this window, made when a bracket is first looked at. */
export const useBracket = (): Bracket => {
  const services = useBench();
  const bracket = brackets.get(services) ?? createBracket(startBracket());
  brackets.set(services, bracket);
  return bracket;
};
