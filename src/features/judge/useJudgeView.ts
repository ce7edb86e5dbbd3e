'use client';

import { parseAsBoolean, parseAsStringLiteral, useQueryStates } from 'nuqs';

export const VIEW_IDS = ['monitor', 'stops', 'recorded'] as const;
export const WAVEFORM_SCALES = ['percent', 'stops'] as const;

/** How the bench is looked at; it stands in the URL, so that a link shows the same. */
export const useJudgeView = () =>
  useQueryStates(
    {
      view: parseAsStringLiteral(VIEW_IDS).withDefault('monitor'),
      contours: parseAsBoolean.withDefault(false),
      range: parseAsBoolean.withDefault(true),
      warning: parseAsBoolean.withDefault(true),
      scope: parseAsStringLiteral(WAVEFORM_SCALES).withDefault('stops'),
      zoom: parseAsStringLiteral(['fit', '1:1'] as const).withDefault('fit'),
    },
    { history: 'replace' },
  );
