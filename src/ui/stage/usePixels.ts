'use client';

import { useEffect, useRef, useState } from 'react';
import type { Pixels } from '#workers/judge/protocol.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';

/** Asks the worker for pixels whenever `ask` changes and paints them; the last picture stays until the next is there. */
export const usePixels = (ask: (() => Promise<Outcome<Pixels>>) | undefined) => {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [problem, setProblem] = useState<string>();
  const [painted, setPainted] = useState(0);
  useEffect(() => {
    let stale = false;
    if (!ask) return undefined;
    ask()
      .then((outcome) => {
        const target = canvas.current;
        if (stale || outcome.state !== 'done' || !target) return;
        const { width, height, rgba } = outcome.output;
        target.width = width;
        target.height = height;
        target.getContext('2d')?.putImageData(new ImageData(rgba, width, height), 0, 0);
        setProblem(undefined);
        setPainted((n) => n + 1);
      })
      .catch((error: unknown) => setProblem(error instanceof Error ? error.message : String(error)));
    return () => {
      stale = true;
    };
  }, [ask]);
  return { canvas, problem, painted };
};
