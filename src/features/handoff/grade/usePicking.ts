'use client';

import { useLayoutEffect, useRef, useState } from 'react';
import type { Rect } from '#core/frame/frame.ts';
import type { GradeRow } from '#core/grade/rows/types.ts';
import { changedRow } from '#ui/bench/grade/gradeModel.ts';
import { useBench, useSession } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/grade.ts';
import type { RowTools } from './GradeRowLine.tsx';
import type { GradeAtHand } from './useGrade.ts';

/** Picks a range of hues off the picture for a row. */
export const usePicking = (hand: GradeAtHand) => {
  const { session } = useBench();
  const patches = useSession((state) => state.patches);
  const [picking, setPicking] = useState<string>();
  const [matte, setMatte] = useState<string>();
  const [said, setSaid] = useState<string>();
  const latest = useRef(hand);
  useLayoutEffect(() => {
    latest.current = hand;
  });
  const take = async (rowId: string, rect: Rect) => {
    const { record, planId, grade, looks } = hand;
    const asked = { grade, looks, rowId, rect };
    const outcome = await session.look.gradePick(asked, { latest: 'gradePick' });
    const now = latest.current;
    // What was changed while the picture was read, or another set-up, is not written over.
    if (outcome.state !== 'done' || now.record !== record || now.planId !== planId) return;
    const { range } = outcome.output;
    setSaid(range ? undefined : words.noHue);
    if (!range) return;
    const row = now.rows.find(({ id }) => id === rowId);
    now.set(words.pick, changedRow(now.rows, rowId, { values: { ...row?.values, ...range }, on: true }));
    setPicking(undefined);
  };
  const tools: RowTools = {
    matte,
    picking,
    setMatte,
    setPicking,
    said,
    pickMark: (row: GradeRow, patchId: string) => {
      const patch = patches.find(({ id }) => id === patchId);
      if (patch) void take(row.id, patch.rect);
    },
  };
  return { tools, take };
};
