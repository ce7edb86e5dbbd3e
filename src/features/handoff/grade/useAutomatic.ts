'use client';

import { useMemo } from 'react';
import { newRow } from '#core/grade/rows/rowKinds.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';
import type { GradeAtHand } from './useGrade.ts';

/** Under water, what an automatic balance would make of the picture: every channel's mean alike, noise and all. */
export const useAutomatic = (
  { grade }: Pick<GradeAtHand, 'grade'>,
  read?: Pick<GradeRead, 'automatic'>,
): LutSpec | undefined => {
  const { setup } = useSelection();
  const isUnderWater = setup.water !== undefined;
  const automatic = read?.automatic;
  return useMemo((): LutSpec | undefined => {
    if (!isUnderWater || !automatic) return undefined;
    const taken = new Set(['channels', 'red', 'balance']);
    const rows = grade.rows.filter(({ kind }) => !taken.has(kind));
    const own = { ...newRow('balance', 'automatic'), values: { red: automatic.red, blue: automatic.blue } };
    return { kind: 'grade', grade: { ...grade, rows: [own, ...rows] } };
  }, [isUnderWater, automatic, grade]);
};
