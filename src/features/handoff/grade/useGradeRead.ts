'use client';

import { isoStanding } from '#core/exposure/iso.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { sensorOf } from '#ui/bench/sensorOf.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';
import { useMarkedFrame } from './useMarkedFrame.ts';
import type { GradeAtHand } from './useGrade.ts';

/** What the grade comes to on the picture on the bench: figures, what each row does, what may break. */
export const useGradeRead = ({ grade, looks }: Pick<GradeAtHand, 'grade' | 'looks'>) => {
  const { session } = useBench();
  const { camera, plan } = useSelection();
  const { serial, marks } = useMarkedFrame();
  const question = {
    ...marks,
    grade,
    looks,
    sensor: sensorOf(camera),
    overBase: isoStanding(plan.iso, camera.baseIsos, camera.sensitivity).overBase,
  };
  return useAnswer<GradeRead>({
    key: serial === undefined || grade.rows.length === 0 ? undefined : [serial, question],
    ask: (signal) => session.look.gradeRead(question, { signal, latest: 'gradeRead' }),
  });
};
