'use client';

import { useEffect, useRef, useState } from 'react';
import { failure } from '#core/result.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { useBench } from './BenchProvider.tsx';

/**
 * What a worker answers to a question that is told apart by its key; without a key nothing is asked. The last answer stays, marked
 * as old, until the new one is there; what went wrong is said and changes nothing.
 */
export const useAsked = <T>(key: string | undefined, ask: () => Promise<Outcome<T>>) => {
  const { session } = useBench();
  const [found, setFound] = useState<{ readonly key: string; readonly answer: T }>();
  const question = useRef(ask);
  useEffect(() => {
    question.current = ask;
  });
  useEffect(() => {
    if (key === undefined) return undefined;
    let stale = false;
    question
      .current()
      .then((outcome) => {
        if (!stale && outcome.state === 'done') setFound({ key, answer: outcome.output });
      })
      .catch((error: unknown) => {
        const detail = error instanceof Error ? error.message : String(error);
        if (!stale)
          session.say('LUT', failure('LUT', `It could not be worked out (${detail}): choose another one.`));
      });
    return () => {
      stale = true;
    };
  }, [key, session]);
  return { answer: key === undefined ? undefined : found?.answer, old: found?.key !== key };
};
