'use client';

import { useEffect, useState } from 'react';
import { failure } from '#core/result.ts';
import { failureWords } from '#store/words.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { useBench } from './hooks.ts';
import type { judgementOf } from './judgement.ts';

const loadRules = () => import('./judgement.ts').then((part) => part.judgementOf);

/**
 * The rules that judge a frame; they come when there is one: the first screen has none.
 *
 * @returns undefined until they are there. Where they cannot be fetched, a notice says so once for each frame.
 */
export const useRules = (opening: number | undefined): typeof judgementOf | undefined => {
  const { notice } = useBench().session;
  const [rules, setRules] = useState<typeof judgementOf>();
  const isMissing = rules === undefined;
  useEffect(() => {
    if (opening === undefined || !isMissing) return;
    loadRules().then(
      (found) => setRules(() => found),
      (error: unknown) =>
        notice.tell(
          'Verdicts',
          failure('browser', `The rules could not be fetched: ${failureWords(error)}. Load the page again.`),
        ),
    );
  }, [opening, isMissing, notice]);
  useWhenIdle(loadRules);
  return rules;
};
