'use client';

import { useEffect, useRef, useState } from 'react';
import type { Pixels } from '#workers/judge/protocol.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { useBench } from '../bench/BenchProvider.tsx';

/**
 * Asks the worker for pixels whenever `ask` changes and whenever a new picture is on the bench, and paints them; the last
 * picture stays until the next is there. `painted` counts what was asked by a change; live pictures do not draw the page.
 */
export const usePixels = (
  ask: (() => Promise<Outcome<Pixels>>) | undefined,
  part: 'picture' | 'rest' = 'rest',
) => {
  const { pulse } = useBench().session;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [problem, setProblem] = useState<string>();
  const [painted, setPainted] = useState(0);
  useEffect(() => {
    let stale = false;
    if (!ask) return undefined;
    const draw = async (): Promise<boolean> => {
      try {
        const outcome = await ask();
        const target = canvas.current;
        if (stale || outcome.state !== 'done' || !target) return false;
        const { width, height, rgba } = outcome.output;
        if (target.width !== width) target.width = width;
        if (target.height !== height) target.height = height;
        target.getContext('2d')?.putImageData(new ImageData(rgba, width, height), 0, 0);
        return true;
      } catch (error) {
        setProblem(error instanceof Error ? error.message : String(error));
        return false;
      }
    };
    void draw().then((done) => {
      if (!done) return;
      setProblem(undefined);
      setPainted((n) => n + 1);
    });
    const end = pulse.listen(async () => {
      await draw();
    }, part);
    return () => {
      stale = true;
      end();
    };
  }, [ask, pulse, part]);
  return { canvas, problem, painted };
};
