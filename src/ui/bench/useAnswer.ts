'use client';

import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { failureWords } from '#store/words.ts';
import type { Pixels } from '#workers/judge/protocol.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { useSame } from '../useSame.ts';
import { useBench, useSession } from './hooks.ts';

export type Question<T> = {
  /** What is asked; a deeply equal question is the same one. undefined asks nothing. */
  readonly key: unknown;
  readonly ask: (signal: AbortSignal) => Promise<Outcome<T>>;
  /** Takes answers instead of having them kept here: pixels go onto a canvas. */
  readonly take?: (answer: T) => void;
  /**
   * Asks once more with every new picture on the bench, as the picture itself or as one of the rest. That
   * draws nothing anew.
   */
  readonly live?: 'picture' | 'rest';
};

export type Answer<T> = {
  /** The last answer; it stays until the next is there. */
  readonly answer?: T;
  /** The answer is that of an earlier question. */
  readonly old: boolean;
  readonly busy: boolean;
  /** Why the last question was not answered. */
  readonly problem?: string;
  /** Answers so far; live ones are not counted. */
  readonly count: number;
};

type Found<T> = {
  readonly key: unknown;
  readonly answer?: T;
  readonly problem?: string;
  readonly count: number;
};

const NONE = { key: undefined, count: 0 };

/**
 * What a worker answers. The one way to ask: late answers are dropped, a question that is no longer asked is
 * cancelled, what went wrong is told, and after a worker was replaced the question is asked again.
 */
export const useAnswer = <T>({ key: given, ask, take, live }: Question<T>): Answer<T> => {
  const key = useSame(given);
  const { pulse } = useBench().session;
  const revived = useSession((state) => state.revived);
  const [found, setFound] = useState<Found<T>>(NONE);
  const latest = useRef({ ask, take });
  useLayoutEffect(() => {
    latest.current = { ask, take };
  });
  const asks = key !== undefined;
  useEffect(() => {
    if (!asks) return undefined;
    const gone = new AbortController();
    /** What is fetched on the way to a worker throws when it is cut off, and when it fails. */
    const asked = (): Promise<Outcome<T>> =>
      latest.current.ask(gone.signal).catch((error: unknown) => ({
        state: 'failed',
        reason: failureWords(error),
      }));
    const once = async (): Promise<Outcome<T>> => {
      const outcome = await asked();
      if (gone.signal.aborted) return { state: 'cancelled' };
      if (outcome.state === 'done') latest.current.take?.(outcome.output);
      return outcome;
    };
    void once().then((outcome) => {
      if (outcome.state === 'cancelled') return;
      setFound(({ count, answer }) =>
        outcome.state === 'done'
          ? { key, count: count + 1, answer: latest.current.take ? undefined : outcome.output }
          : { key, count, answer, problem: outcome.reason },
      );
    });
    const end = live && pulse.listen(async () => void (await once()), live);
    return () => {
      gone.abort();
      end?.();
    };
  }, [asks, key, live, pulse, revived]);
  const { answer, count, problem } = found;
  const old = found.key !== key;
  return {
    answer: asks ? answer : undefined,
    old,
    busy: asks && old,
    problem: old ? undefined : problem,
    count,
  };
};

/** What a canvas is painted with: the last picture stays until the next is there. */
export const useCanvas = (ask: Question<Pixels>['ask'] | undefined, live: 'picture' | 'rest' = 'rest') => {
  const canvas = useRef<HTMLCanvasElement>(null);
  const take = useCallback(({ width, height, rgba }: Pixels) => {
    const target = canvas.current;
    if (!target) return;
    if (target.width !== width) target.width = width;
    if (target.height !== height) target.height = height;
    target.getContext('2d')?.putImageData(new ImageData(rgba, width, height), 0, 0);
  }, []);
  const { problem, count } = useAnswer<Pixels>({ key: ask, ask: ask ?? never, take, live });
  return { canvas, problem, painted: count };
};

const never = () => Promise.resolve({ state: 'cancelled' as const });
