import { extent, group, mean, median } from 'd3-array';
import { CANNOT_TELL } from '#core/verdict/verdictWords.ts';
import { meanOfFrames } from '#core/match/patches.ts';
import type { Triple } from '#core/maths/matrix.ts';
import type { SourceTags } from '#core/frame/tags.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { ClipFactsRecord, ClipFound, ClipRecord } from '#store/records/clip.ts';
import type { SurveyedClip } from '#workers/survey/protocol.ts';
import { distributionOf } from '../benchModel.ts';
import { judgementOf, type JudgeContext } from '../judgement.ts';
import { halfStops } from '../logTake.ts';
import { meanStops, stripSample } from '../stripSample.ts';

/** What a survey goes by: the card of the camera on its set-up. */
export type SurveyCard = Pick<JudgeContext, 'numbers' | 'light' | 'coding' | 'kit'>;

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
    ...(coding.matrix ? { matrix: coding.matrix } : {}),
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

/** Highest less lowest. */
const apart = (values: readonly number[]): number => {
  const [low = 0, high = 0] = extent(values);
  return high - low;
};

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

const precise = (value: number) => Number(value.toPrecision(6));

/** Light of each mark over the frames in which it was found. */
const lightsOf = (samples: SurveyedClip['samples']): ClipFound['lights'] => {
  const byName = group(
    samples.flatMap(({ lights }) => lights),
    ({ name }) => name,
  );
  return [...byName].map(([name, frames]) => ({ name, kind: frames[0].kind, ...meanOfFrames(frames) }));
};

/** What was found in a clip, by the card of its camera. */
const foundOf = ({ samples, cutShort }: SurveyedClip, card: SurveyCard, isMarked: boolean): ClipFound => {
  const { numbers, light } = card;
  const strip = samples.map(({ frame, measurement }) => stripSample(frame, measurement, numbers, light));
  const distributions = samples.map(({ measurement }) => distributionOf(measurement, numbers));
  const means = samples.map(({ measurement }) => short(meanStops(measurement, numbers)));
  const cards = strip.filter(({ byCard }) => byCard).map(({ stops }) => short(stops));
  const casts = present(strip.map(({ mired }) => mired));
  const middle = samples.length >> 1;
  const doubts = judgementOf(samples[middle].measurement, distributions[middle], {
    ...card,
    placement: 0,
    kind: 'clip',
  }).filter(
    // Of two hundred clips only what can be named is worth a look.
    ({ id, state, title }) => KIND_RULES.has(id) && state !== 'holds' && title !== CANNOT_TELL,
  );
  const shares = samples.map(({ measurement }) => measurement);
  return {
    samples: samples.map(({ frame, at }, n) => ({
      frame,
      at: Number(at.toFixed(3)),
      meanStops: means[n],
      clippedAll: strip[n].clipped,
      ...(strip[n].byCard ? { cardStops: short(strip[n].stops) } : {}),
      ...(strip[n].mired === undefined ? {} : { mired: strip[n].mired }),
    })),
    distribution: halfStops(meanOf(distributions)),
    meanStops: median(means) ?? 0,
    ...(cards.length > 0 ? { cardStops: median(cards) } : {}),
    clippedAll: Math.max(...shares.map(({ clipping }) => clipping.all)),
    clippedSome: Math.max(...shares.map(({ clipping }) => clipping.some)),
    underFloor: median(shares, ({ shadows }) => shadows.share) ?? 0,
    ...(casts.length > 0 ? { mired: median(casts) } : {}),
    ...(isMarked ? { marks: marksOf(samples) } : {}),
    // By the card where it was seen more than once, else by the mean: the two are never compared.
    tones: samples[middle].tones.map((one) => one.map(precise) as unknown as Triple),
    ...(isMarked ? { lights: lightsOf(samples) } : {}),
    ...(card.kit ? { profileId: card.kit.setId } : {}),
    driftStops: apart(cards.length > 1 ? cards : means),
    ...(casts.length > 1 ? { driftMired: apart(casts) } : {}),
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
