'use client';

import { useMemo, type ReactNode } from 'react';
import type { Through } from '#workers/judge/protocol.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { WipeOver } from '#ui/parts/WipeOver.tsx';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { words } from '#ui/wording/lutsParts.ts';

/** Asks for the frame behind a LUT, thinned to the size it is shown at. */
const useAsk = (through: Through | undefined, scale: number) => {
  const { session } = useBench();
  const serial = useSession(({ frame }) => frame?.serial);
  const { data } = useSelection().profile;
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
    return (signal: AbortSignal) => session.look.picture(request, { signal });
  }, [session, serial, data, through, every]);
};

const Over = ({ through, name, scale }: { through: Through; name: string; scale: number }) => {
  const { canvas } = useCanvas(useAsk(through, scale));
  return <WipeOver name={name} canvas={canvas} />;
};

/** The frame on the bench behind a LUT, with another one wiped over it if there is one. */
export const LutPicture = ({
  through,
  name,
  over,
  children,
}: {
  through?: Through;
  name: string;
  over?: { readonly through: Through; readonly name: string };
  /** What stands over the picture’s corner. */
  children?: ReactNode;
}) => {
  const [box, room] = useSize({ width: 560, height: 315 });
  const { frame, busy } = useSession((state) => ({ frame: state.frame, busy: state.busy }));
  const scale = frame ? Math.min(room.width / frame.info.width, room.height / frame.info.height) : 1;
  const { canvas, problem, painted } = useCanvas(useAsk(through, scale));
  return (
    <div className="picture-box lut-picture" ref={box}>
      {frame ? (
        <div
          className="picture-sheet"
          data-painted={painted}
          style={{ width: frame.info.width * scale, height: frame.info.height * scale }}
        >
          <canvas ref={canvas} role="img" aria-label={words.behind(frame.name, name)} />
          {over && <Over {...over} scale={scale} />}
          {children}
        </div>
      ) : (
        <Empty title={busy ? busy.phase : words.noFrameOnThe}>
          <p className="quiet">Open one in Judge: the LUT is shown on it.</p>
        </Empty>
      )}
      {problem && <p className="field-error">{problem}</p>}
    </div>
  );
};
