'use client';

import { useEffect, useRef } from 'react';
import type { SmallPicture } from '#workers/cameraTest/protocol.ts';

/** A small picture as recorded; `load` gives it. */
export const SmallCanvas = ({
  load,
  label,
  className,
}: {
  load: (signal: AbortSignal) => Promise<SmallPicture | undefined>;
  label: string;
  className?: string;
}) => {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const mine = new AbortController();
    void load(mine.signal).then((picture) => {
      if (!picture || mine.signal.aborted || !canvas.current) return;
      canvas.current.width = picture.width;
      canvas.current.height = picture.height;
      canvas.current
        .getContext('2d')
        ?.putImageData(new ImageData(picture.rgba, picture.width, picture.height), 0, 0);
    });
    return () => mine.abort();
  }, [load]);
  return <canvas ref={canvas} role="img" aria-label={label} className={className} />;
};
