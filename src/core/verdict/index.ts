import { cardPlacement, cardReading, skinPlacement } from './card.ts';
import { clipAll, clipChannel } from './clipping.ts';
import { coarseCodes } from './codes.ts';
import { gradeForecast } from './forecast.ts';
import { underExposure } from './shadows.ts';
import type { Verdict, VerdictInput, VerdictRule, VerdictState } from './types.ts';

/** The rules, in the order in which their verdicts are read. A further one is a file and a row. */
export const VERDICT_RULES = [
  cardPlacement,
  skinPlacement,
  clipAll,
  clipChannel,
  underExposure,
  coarseCodes,
  gradeForecast,
] as const satisfies readonly VerdictRule[];

/** Every rule's word on a frame. Pure and quick: placement, ISO and plan may change without measuring again. */
export const judgeFrame = (input: VerdictInput): Verdict[] =>
  VERDICT_RULES.flatMap((rule) => {
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
export type { FrameMeasurement, Verdict, VerdictInput, VerdictRule, VerdictState } from './types.ts';
