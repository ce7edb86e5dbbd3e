'use client';

import { useEffect, useState } from 'react';
import { DEMO_FRAME_IDS, DEMO_FRAMES } from '#core/scene/demoFrames.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { PicturePane } from './PicturePane.tsx';
import { VerdictPane } from './VerdictPane.tsx';
import { WaveformPane } from './WaveformPane.tsx';

/** The demo frame of a set-up and camera is on the bench from the start, unless a file of the user's is. */
const useDemoFrame = () => {
  const { selection, bench, session } = useBench();
  const wanted = DEMO_FRAME_IDS.find(
    (id) =>
      DEMO_FRAMES[id].setupId === selection.setup.id && DEMO_FRAMES[id].cameraId === selection.camera.id,
  );
  const own = bench.frame !== undefined && bench.frame.demo === undefined;
  const fits =
    bench.frame?.demo !== undefined &&
    DEMO_FRAMES[bench.frame.demo].setupId === selection.setup.id &&
    DEMO_FRAMES[bench.frame.demo].cameraId === selection.camera.id;
  const idle = bench.busy === undefined;
  const failed = bench.failure !== undefined;
  useEffect(() => {
    if (own || fits || !idle || failed) return;
    if (wanted) void session.openDemo(wanted);
    else if (session.getState().frame) session.closeFrame();
  }, [session, wanted, own, fits, idle, failed]);
};

/** Judge: the picture, its waveform and what they mean. */
export const JudgeView = () => {
  const { verdicts } = useBench();
  const [picked, setPicked] = useState<string>();
  useDemoFrame();
  return (
    <div className="judge">
      <h1 className="visually-hidden">Judge</h1>
      <PicturePane highlight={verdicts.find(({ id }) => id === picked)?.place} />
      <VerdictPane picked={picked} onPick={setPicked} />
      <WaveformPane />
    </div>
  );
};
