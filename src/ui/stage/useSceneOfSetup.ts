'use client';

import { useEffect } from 'react';
import { sceneFits, sceneFor } from '#core/scene/stage.ts';
import { useBench } from '../bench/BenchProvider.tsx';
import { FIRST_LOOK } from './stageModel.ts';

/** The scene of a set-up and camera is on the stage from the start, unless a file of the user's is on the bench. */
export const useSceneOfSetup = () => {
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
