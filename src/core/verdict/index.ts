import { whiteBalance } from './balance.ts';
import { assistBehindIndex, indexLeftOver } from './exposureIndex.ts';
import { bandingForecast } from './banding.ts';
import { cardPlacement, cardReading, skinPlacement } from './card.ts';
import { clipAll, clipChannel } from './clipping.ts';
import { coarseCodes } from './codes.ts';
import { clipDrift } from './drift.ts';
import { gradeForecast } from './forecast.ts';
import { matchCut } from './matchCut.ts';
import { monitorPull } from './monitor.ts';
import { monitorPlan } from './monitorPlan.ts';
import { nearClip } from './near.ts';
import { noNumber } from './noNumber.ts';
import { rangeReading, referredReading } from './reading.ts';
import { underExposure } from './shadows.ts';
import { containerTags } from './tags.ts';
import type { Verdict, VerdictInput, VerdictRule, VerdictState } from './types.ts';

/** The rules, in the order in which their verdicts are read. A further one is a file and a row. */
export const VERDICT_RULES = [
  noNumber,
  cardPlacement,
  skinPlacement,
  clipDrift,
  clipAll,
  clipChannel,
  nearClip,
  underExposure,
  whiteBalance,
  matchCut,
  monitorPull,
  monitorPlan,
  indexLeftOver,
  assistBehindIndex,
  rangeReading,
  referredReading,
  containerTags,
  coarseCodes,
  bandingForecast,
  gradeForecast,
] as const satisfies readonly VerdictRule[];

/**
 * Every rule's word on a frame; muted ones are not asked. Pure and quick: placement, ISO and plan may change
 * without measuring again.
 */
export const judgeFrame = (input: VerdictInput, muted: readonly string[] = []): Verdict[] =>
  VERDICT_RULES.filter(({ id }) => !muted.includes(id)).flatMap((rule) => {
    const verdict = rule.judge(input);
    return verdict ? [{ id: rule.id, ...verdict }] : [];
  });

/** "holds, two to watch": the verdicts in one line. */
export const summarise = (verdicts: readonly Verdict[]): string => {
  const count = (state: VerdictState) => verdicts.filter((verdict) => verdict.state === state).length;
  const words = [
    count('lost') > 0 ? `${count('lost')} lost` : '',
    count('watch') > 0 ? `${count('watch')} to watch` : '',
  ].filter(Boolean);
  return words.length === 0 ? 'all holds' : words.join(', ');
};

export { cardReading };
export type { Correction, Drift, Verdict, VerdictInput, VerdictRule, VerdictState } from './types.ts';
