'use client';

import { useMemo } from 'react';
import type { Survey } from '#core/exposure/survey.ts';
import type { Result } from '#core/result.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { surveyOfSetup } from './planModel.ts';

/** The light of the set-up, worked out from its spots. */
export const useSurvey = (): Result<Survey> => {
  const selection = useSelection();
  return useMemo(() => surveyOfSetup(selection), [selection]);
};
