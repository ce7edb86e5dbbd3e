'use client';

import { useMemo, type ReactNode } from 'react';
import type { Through } from '#workers/judge/protocol.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Empty } from '#ui/parts/Empty.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { WipeOver } from '#ui/parts/WipeOver.tsx';
import { usePixels } from '#ui/stage/usePixels.ts';

/** Asks for the frame behind a LUT, thinned to the size it is shown at. */
const useAsk = (through: Through | undefined, pane: string, scale: number) => {
  const { bench, session, selection } = useBench();
  const serial = bench.frame?.serial;
  const { data } = selection.profile;
  const every = Math.max(1, Math.floor(1 / scale));
  return useMemo(() => {
    if (serial === undefined || !through) return undefined;
    const request = {
      profile: data,
      pullStops: 0,
      view: 'monitor',
      ramp: 'viridis',
      contours: false,
      rangeZebras: [],
      through,
      every,
    } as const;
    return () => session.judge.call('picture', request, { latest: pane });
  }, [session, serial, data, through, pane, every]);
};

const Over = ({ through, name, scale }: { through: Through; name: string; scale: number }) => {
  const { canvas } = usePixels(useAsk(through, 'lut-b', scale));
  return <WipeOver name={name} canvas={canvas} />;
};

/** The frame on the bench behind a LUT, with another one wiped over it if there is one. */
export const LutPicture = ({
  through,
  pane = 'lut-a',
  name,
  over,
  children,
}: {
  through?: Through;
  pane?: string;
  name: string;
  over?: { readonly through: Through; readonly name: string };
  /** What stands over the picture’s corner. */
  children?: ReactNode;
}) => {
  const { bench } = useBench();
  const [box, room] = useSize({ width: 560, height: 315 });
  const { frame, busy } = bench;
  const scale = frame ? Math.min(room.width / frame.info.width, room.height / frame.info.height) : 1;
  const { canvas, problem, painted } = usePixels(useAsk(through, pane, scale));
  return (
    <div className="picture-box lut-picture" ref={box}>
      {frame ? (
        <div
          className="picture-sheet"
          data-painted={painted}
          style={{ width: frame.info.width * scale, height: frame.info.height * scale }}
        >
          <canvas ref={canvas} role="img" aria-label={`${frame.name} behind ${name}`} />
          {over && <Over {...over} scale={scale} />}
          {children}
        </div>
      ) : (
        <Empty title={busy ? busy.phase : 'No frame on the bench'}>
          <p className="quiet">Open one in Judge: the LUT is shown on it.</p>
        </Empty>
      )}
      {problem && <p className="field-error">{problem}</p>}
    </div>
  );
};
