'use client';

import { useEffect } from 'react';
import { useBench, useSelection, useSession } from '../bench/hooks.ts';
import { useSame } from '../useSame.ts';
import { firstLook } from './standing.ts';
import { useStanding } from './useStanding.ts';

/** What the set-up's camera stands before is on the stage, unless a file of the user's is on the bench. */
export const useSceneOfSetup = ({ overFile = false, asCard = false } = {}) => {
  const { session } = useBench();
  const selection = useSelection();
  const standing = useStanding();
  const here = useSession(({ frame, stage, busy }) => ({
    serial: frame?.serial,
    standing: stage?.standing,
    idle: busy === undefined,
  }));
  const turned = useSame(standing && !asCard ? firstLook(selection, standing.id) : {});
  useEffect(() => {
    session.stage.follow(standing, { overFile, turned });
  }, [session, standing, overFile, turned, here]);
};
