'use client';

import { useEffect } from 'react';
import { useBench, useSelection, useSession } from '../bench/hooks.ts';

/** The scene of a set-up and camera is on the stage from the start, unless a file of the user's is on the bench. */
export const useSceneOfSetup = ({ overFile = false, asCard = false } = {}) => {
  const { session } = useBench();
  const { setup, camera } = useSelection();
  const here = useSession(({ frame, stage, busy }) => ({
    serial: frame?.serial,
    sceneId: stage?.sceneId,
    idle: busy === undefined,
  }));
  useEffect(() => {
    session.stage.follow(setup.id, camera.id, { overFile, asCard });
  }, [session, setup.id, camera.id, overFile, asCard, here]);
};
