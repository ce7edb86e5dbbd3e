'use client';

import { useEffect } from 'react';
import type { LutBuild } from '#store/records/lut.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { FIRST_WORK } from '#ui/bench/lutWork.ts';

const same = (a: LutBuild, b: LutBuild) => JSON.stringify(a) === JSON.stringify(b);

/** The LUT on the bench is the plan's: another set-up brings its own, undo brings the one before. */
export const useBuildOfPlan = () => {
  const { selection, session } = useBench();
  const { id, lutBuild } = selection.plan;
  useEffect(() => {
    session.setLutWork({ build: lutBuild ?? FIRST_WORK.build });
  }, [session, id, lutBuild]);
};

/** The LUT being built, how it is moved, and how what was moved is put into the plan: one step of undo. */
export const useBuild = () => {
  const { bench, session, selection, editPlan } = useBench();
  const { build } = bench.lutWork;
  const { lutBuild } = selection.plan;
  const commit = (what: string) => {
    const now = session.getState().lutWork.build;
    if (!same(now, lutBuild ?? FIRST_WORK.build)) editPlan(`LUT: ${what}`, { lutBuild: now });
  };
  const move = (next: LutBuild) => session.setLutWork({ build: next });
  return {
    build,
    move,
    commit,
    set: (what: string, fields: Partial<LutBuild>) => {
      move({ ...build, ...fields });
      commit(what);
    },
  };
};
