'use client';

import { useEffect, useState } from 'react';
import { sceneFits, sceneFor } from '#core/scene/stage.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { CameraPanel } from '#ui/stage/CameraPanel.tsx';
import { FIRST_LOOK } from '#ui/stage/stageModel.ts';
import { useStage } from '#ui/stage/useStage.ts';
import { PicturePane } from './PicturePane.tsx';
import { VerdictPane } from './VerdictPane.tsx';
import { WaveformPane } from './WaveformPane.tsx';

/** The scene of a set-up and camera is on the stage from the start, unless a file of the user's is on the bench. */
const useSceneOfSetup = () => {
  const { selection, bench, session } = useBench();
  const { frame, stage } = bench;
  const wanted = sceneFor(selection.setup.id, selection.camera.id);
  const own = frame !== undefined && frame.scene === undefined;
  const fits =
    stage !== undefined &&
    (stage.sceneId === wanted || sceneFits(stage.sceneId, selection.setup.id, selection.camera.id));
  const idle = bench.busy === undefined;
  const failed = bench.failure !== undefined;
  useEffect(() => {
    if (own || fits || !idle || failed) return;
    if (wanted) void session.openScene(wanted, FIRST_LOOK[wanted]);
    else if (session.getState().frame) session.closeFrame();
  }, [session, wanted, own, fits, idle, failed]);
};

/** Judge: the picture, its waveform and what they mean. */
export const JudgeView = () => {
  const { verdicts } = useBench();
  const [picked, setPicked] = useState<string>();
  useSceneOfSetup();
  const camera = useStage();
  return (
    <div className="judge">
      <h1 className="visually-hidden">Judge</h1>
      <PicturePane highlight={verdicts.find(({ id }) => id === picked)?.place} />
      <div className="judge-side">
        <VerdictPane picked={picked} onPick={setPicked} />
        <CameraPanel {...camera} />
      </div>
      <WaveformPane />
    </div>
  );
};
