'use client';

import { useEffect, useState } from 'react';
import type { ContentLight } from '#core/grade/lightLevels.ts';
import { failure, type Result } from '#core/result.ts';
import { useBench, useSession } from '#ui/bench/hooks.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';

/** Most pictures of a clip that are read; of a longer one they are spread over it. */
const MOST = 120;

/** Numbers of pictures of a clip, first and last among them. */
const spreadOver = (frames: number): readonly number[] => {
  const count = Math.min(MOST, Math.max(1, frames));
  return Array.from({ length: count }, (_, i) => Math.round((i * (frames - 1)) / Math.max(1, count - 1)));
};

type Measured = ContentLight & { readonly frames: number; readonly of: number; readonly spec: LutSpec };

/**
 * MaxCLL and MaxFALL of what lies on the bench through a grade: asked for, stopped, begun again where grade or picture
 * change meanwhile, forgotten where they change afterwards.
 */
export const useContentLight = (spec: LutSpec) => {
  const { session } = useBench();
  const { serial, all } = useSession(({ frame }) => ({
    serial: frame?.serial,
    all: frame?.kind === 'clip' ? (frame.clip?.times.length ?? 1) : 1,
  }));
  const [found, setFound] = useState<Result<Measured> & { readonly serial?: number }>();
  /** How far it is, 0..1; undefined where nothing is measured. */
  const [share, setShare] = useState<number>();
  const isMeasuring = share !== undefined;
  useEffect(() => {
    if (!isMeasuring || spec.kind !== 'grade') return undefined;
    const mine = new AbortController();
    const { grade, looks } = spec;
    const ask = async () => {
      const outcome = await session.look.gradeLight(
        { grade, looks, frames: spreadOver(all) },
        {
          signal: mine.signal,
          onProgress: ({ fraction }) => !mine.signal.aborted && setShare(fraction),
        },
      );
      if (mine.signal.aborted) return;
      setShare(undefined);
      if (outcome.state === 'cancelled') return;
      const output = outcome.state === 'done' ? outcome.output : failure('clip', outcome.reason);
      setFound({ ...(output.ok ? { ok: true, value: { ...output.value, of: all, spec } } : output), serial });
    };
    void ask();
    return () => mine.abort();
  }, [session, isMeasuring, serial, all, spec]);
  const isOfNow = found && found.serial === serial && (!found.ok || found.value.spec === spec);
  return {
    found: isOfNow ? found : undefined,
    share,
    measure: () => setShare(0),
    stop: () => setShare(undefined),
  };
};
