'use client';

import { dequal } from 'dequal';
import type { LutBuild } from '#store/records/lut.ts';
import { useBench, useEditPlan, useSelection, useSession } from '#ui/bench/hooks.ts';
import { buildFor, FIRST_BUILD } from '#ui/bench/session/lutWork.ts';

/** The LUT being built for the plan, how it is moved, and how what was moved is put into the plan: one step of undo. */
export const useBuild = () => {
  const { session } = useBench();
  const { plan } = useSelection();
  const editPlan = useEditPlan();
  const moving = useSession(({ movingBuild }) => movingBuild);
  const build = buildFor(plan, moving);
  const settle = (what: string, now: LutBuild) => {
    if (!dequal(now, plan.lutBuild ?? FIRST_BUILD)) editPlan(`LUT: ${what}`, { lutBuild: now });
    session.luts.settleBuild();
  };
  return {
    build,
    move: (next: LutBuild) => session.luts.moveBuild(plan.id, next),
    commit: (what: string) => settle(what, buildFor(plan, session.getState().movingBuild)),
    set: (what: string, fields: Partial<LutBuild>) => settle(what, { ...build, ...fields }),
  };
};
