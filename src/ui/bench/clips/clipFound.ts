import { mean, median } from 'd3-array';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { SourceTags } from '#core/frame/tags.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { ClipFactsRecord, ClipFound, ClipRecord } from '#store/records/clip.ts';
import type { SurveyedClip } from '#workers/survey/protocol.ts';
import { distributionOf } from '../benchModel.ts';
import { driftFigures, judgementOf, type JudgeContext } from '../judgement.ts';
import { halfStops } from '../logTake.ts';
import { stripSample } from '../stripSample.ts';

/** What a survey goes by: the card of the camera on its set-up. */
export type SurveyCard = Pick<JudgeContext, 'numbers' | 'placement' | 'light' | 'coding' | 'kit'> & {
  readonly numbers: SetCardNumbers;
};

const tagWords = ({ transfer, primaries, matrix, range }: SourceTags): string =>
  [transfer, primaries, matrix, range].filter((tag) => tag !== undefined).join(', ');

const factsOf = ({ coding, clip, facts, chroma }: SurveyedClip): ClipFactsRecord => {
  const tags = tagWords(coding.tags);
  const { startedAt, timecode, reel, rotation } = facts;
  return {
    container: coding.container.slice(0, 160),
    size: [coding.width, coding.height],
    bitDepth: coding.bitDepth,
    range: coding.range,
    ...(chroma ? { chroma } : {}),
    ...(tags ? { tags: tags.slice(0, 160) } : {}),
    exact: coding.exactness.exact,
    frames: clip.frames,
    seconds: clip.seconds,
    rate: clip.rate,
    variable: clip.variable,
    ...(rotation === undefined ? {} : { rotation }),
    ...(startedAt === undefined ? {} : { startedAt: new Date(1000 * startedAt).toISOString() }),
    ...(timecode === undefined ? {} : { timecode: timecode.slice(0, 20) }),
    ...(reel === undefined ? {} : { reel: reel.slice(0, 80) }),
  };
};

const present = (values: readonly (number | undefined)[]) => values.filter((one) => one !== undefined);
const short = (value: number) => Number(Math.max(-20, Math.min(20, value)).toFixed(4));

const meanOf = (distributions: readonly Distribution[]): Distribution => ({
  perStop: distributions[0].perStop,
  bins: distributions[0].bins.map(({ stops }, bin) => ({
    stops,
    share: mean(distributions, ({ bins }) => bins[bin].share) ?? 0,
  })),
});

/** The rules that say what a clip was recorded as. */
const KIND_RULES: ReadonlySet<string> = new Set(['range', 'referred', 'tags']);

const marksOf = (samples: SurveyedClip['samples']): NonNullable<ClipFound['marks']> => {
  const scores = samples.flatMap(({ marks }) => marks.map(({ score }) => score));
  const frames = samples.filter(({ marks }) => marks.length > 0).length;
  return { frames, ...(scores.length > 0 ? { score: Math.max(0, Math.min(1, ...scores)) } : {}) };
};

/** What was found in a clip, by the card of its camera. */
const foundOf = ({ samples, cutShort }: SurveyedClip, card: SurveyCard, isMarked: boolean): ClipFound => {
  const { numbers, light } = card;
  const strip = samples.map(({ frame, measurement }) => stripSample(frame, measurement, numbers, light));
  const distributions = samples.map(({ measurement }) => distributionOf(measurement, numbers));
  const drift = driftFigures(strip, 0);
  const cards = strip.filter(({ byCard }) => byCard).map(({ stops }) => stops);
  const casts = present(strip.map(({ mired }) => mired));
  const middle = samples.length >> 1;
  const doubts = judgementOf(samples[middle].measurement, distributions[middle], {
    ...card,
    placement: 0,
    kind: 'clip',
  }).filter(({ id, state }) => KIND_RULES.has(id) && state !== 'holds');
  const shares = samples.map(({ measurement }) => measurement);
  return {
    samples: samples.map(({ frame, at }, n) => ({
      frame,
      at: Number(at.toFixed(3)),
      meanStops: short(strip[n].stops),
      clippedAll: strip[n].clipped,
      ...(strip[n].byCard ? { cardStops: short(strip[n].stops) } : {}),
      ...(strip[n].mired === undefined ? {} : { mired: strip[n].mired }),
    })),
    distribution: halfStops(meanOf(distributions)),
    meanStops: short(median(strip, ({ stops }) => stops) ?? 0),
    ...(cards.length > 0 ? { cardStops: short(median(cards) ?? 0) } : {}),
    clippedAll: Math.max(...shares.map(({ clipping }) => clipping.all)),
    clippedSome: Math.max(...shares.map(({ clipping }) => clipping.some)),
    underFloor: median(shares, ({ shadows }) => shadows.share) ?? 0,
    ...(casts.length > 0 ? { mired: median(casts) } : {}),
    ...(isMarked ? { marks: marksOf(samples) } : {}),
    driftStops: drift?.stops ?? 0,
    ...(drift?.mired === undefined ? {} : { driftMired: drift.mired }),
    ...(doubts.length > 0 ? { doubt: doubts[0].title.slice(0, 120) } : {}),
    ...(cutShort === undefined ? {} : { cutShort: cutShort.slice(0, 300) }),
  };
};

/** What a survey writes on its clip. */
export const surveyed = (
  clip: SurveyedClip,
  card: SurveyCard,
  /** Marks were looked for. */
  isMarked: boolean,
): Pick<ClipRecord, 'state' | 'facts' | 'found'> => ({
  state: 'surveyed',
  facts: factsOf(clip),
  found: foundOf(clip, card, isMarked),
});
