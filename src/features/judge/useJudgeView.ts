'use client';

import { parseAsBoolean, parseAsFloat, parseAsString, parseAsStringLiteral, useQueryStates } from 'nuqs';
import { SCOPE_IDS, type ScopeScale } from '#core/scopes/scopeList.ts';
import { NO_CHOICE } from '#ui/bench/useThrough.ts';
import { GUIDE_IDS } from './picture/guideList.ts';

export const VIEW_IDS = ['monitor', 'stops', 'recorded'] as const;
const SCOPE_SCALES = ['stops', 'percent', 'code'] as const satisfies readonly ScopeScale[];
/** What the picture is held against, along a wipe or beside it. */
const AGAINST_IDS = ['none', 'recorded', 'stops', 'hero'] as const;

/** How the bench is looked at; it stands in the URL, so that a link shows the same. */
export const useJudgeView = () =>
  useQueryStates(
    {
      view: parseAsStringLiteral(VIEW_IDS).withDefault('monitor'),
      contours: parseAsBoolean.withDefault(false),
      range: parseAsBoolean.withDefault(true),
      warning: parseAsBoolean.withDefault(true),
      /** Zebras as the camera shows them after its rounding, or exact. */
      zebra: parseAsStringLiteral(['camera', 'exact'] as const).withDefault('camera'),
      /**
       * What the monitor's picture goes through: `auto` as planned, `computed`, `opened`, or a LUT of the kit
       * by its id.
       */
      lut: parseAsString.withDefault(NO_CHOICE),
      clips: parseAsBoolean.withDefault(false),
      guide: parseAsStringLiteral(GUIDE_IDS).withDefault('none'),
      /** A ratio of one's own, width over height. */
      ratio: parseAsFloat.withDefault(2),
      safe: parseAsBoolean.withDefault(false),
      glass: parseAsBoolean.withDefault(false),
      against: parseAsStringLiteral(AGAINST_IDS).withDefault('none'),
      beside: parseAsBoolean.withDefault(false),
      zoom: parseAsStringLiteral(['fit', '1:1'] as const).withDefault('fit'),
      scope: parseAsStringLiteral(SCOPE_IDS).withDefault('waveform'),
      scale: parseAsStringLiteral(SCOPE_SCALES).withDefault('stops'),
      second: parseAsStringLiteral(SCOPE_IDS).withDefault('vectorscope'),
      secondScale: parseAsStringLiteral(SCOPE_SCALES).withDefault('stops'),
      /** What stands under the verdicts: the simulated camera or the second scope. */
      under: parseAsStringLiteral(['auto', 'camera', 'scope'] as const).withDefault('auto'),
      /** The pane that stands large, in the place of the picture. */
      large: parseAsStringLiteral(['picture', 'first', 'second'] as const).withDefault('picture'),
      /** What scopes are made of: `frame`, `column`, or a patch by its id. */
      of: parseAsString.withDefault('frame'),
    },
    { history: 'replace' },
  );

export type JudgeLook = ReturnType<typeof useJudgeView>[0];
export type SetJudgeLook = ReturnType<typeof useJudgeView>[1];
