import { printShutter } from '../../exposure/shutter.ts';
import type { Triple } from '../../maths/matrix.ts';
import { median } from '../../maths/quantile.ts';
import { codeToSignal, type Coding } from '../../signal/scale.ts';
import { cutOff } from './cutOff.ts';
import type { FilmedShot } from './types.ts';

// Steps of a bracket as they were read, and where they stop rising.

/** A step: where its marks put it, what was read there. */
export type Step = {
  readonly shutter: string;
  /** Stops over grey. */
  readonly stops: number;
  /** Stops of light more than at first. */
  readonly light: number;
  /** Luma, signal fraction, and the deviation of its noise. */
  readonly signal: number;
  readonly deviation: number;
  readonly channels: Triple;
};

/** Evenness of the light on the card, not noise. Our own choice, as for frames of a bracket. */
export const FRAME_SIGMA = 0.0005;
/** Noise over so many codes spreads a mean over steps evenly: rounding leaves no error then. */
const DITHERED = 0.35;
/** Two steps at the upper end that are no farther apart are clipped, signal fraction. */
const FLAT = 0.004;
/** At the clip a step rises by less than this part of what the steps under it do. */
const BARELY = 0.04;
/** So much of the light's range a flat end covers at least, stops. */
const FLAT_FOR = 0.7;
/** So far over luma a single channel may stand where all are full, signal fraction. */
const CHANNEL_OVER = 0.05;
/** A rise is taken over so many stops at least. */
const RISE_OVER = 0.7;
/** Steps that have to rise before one may be the first at clip. */
const RISING_FIRST = 4;

/** Noise of a pixel from frame to frame; from pixel to pixel where a shot has one frame. */
export const noiseIn = ({ hold: { card } }: FilmedShot): number => card.temporal ?? card.spatial;

/** How exactly a mean is read: rounding counts where noise does not spread it over steps. */
export const sigmaOf = (deviation: number, perCode: number): number =>
  deviation < DITHERED * perCode ? Math.hypot(FRAME_SIGMA, perCode / Math.sqrt(12)) : FRAME_SIGMA;

/** A dark mean so few deviations over the lowest code: the noise of each channel is cut in the middle. Our choice. */
const CUT_IN_MIDDLE = 2;

/** The lowest signal that a file holds. Legal range keeps a step for timing (BT.709-6 clause 4.6). */
const lowestSignal = (coding: Coding): number =>
  codeToSignal(coding.range === 'legal' ? 2 ** (coding.bitDepth - 8) : 0, coding);

/** Black lies on the lowest code: half of its noise is missing, in each channel for itself. */
export const isCutInMiddle = (dark: FilmedShot, coding: Coding): boolean =>
  dark.hold.card.signal - lowestSignal(coding) < CUT_IN_MIDDLE * noiseIn(dark);

/** Signal of no light: the mean of a dark frame, what is cut off at the lowest code put back. */
export const trueBlack = (dark: FilmedShot, coding: Coding): number => {
  if (isCutInMiddle(dark, coding)) return lowestSignal(coding);
  const { signal, atBottom } = dark.hold.card;
  const cut = cutOff(atBottom);
  if (cut.mean === Infinity) return signal;
  const deviation = noiseIn(dark) / cut.deviation;
  // What is left lies higher over the lowest code than all of it did.
  return signal - deviation * (cut.left - cut.mean);
};

export const isBracket = ({ shot }: FilmedShot): boolean => shot.kind === 'bracket' || shot.kind === 'back';

const meanOf = (group: readonly FilmedShot[], channel: number): number =>
  group.reduce((sum, { hold }) => sum + hold.card.channels[channel], 0) / group.length;

/** Steps of the bracket and its way back, the darkest first: one for each shutter and light. */
export const stepsOf = (filmed: readonly FilmedShot[], cardStops: number): readonly Step[] => {
  const groups = new Map<string, FilmedShot[]>();
  for (const one of filmed.filter(isBracket)) {
    const { moreLight, stops } = one.shot.settings;
    const key = `${moreLight} ${stops.toFixed(3)}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()]
    .map((group): Step => ({
      stops: group[0].shot.settings.stops + cardStops,
      light: group[0].shot.settings.moreLight,
      shutter: printShutter(group[0].shot.settings.shutter),
      signal: group.reduce((sum, { hold }) => sum + hold.card.signal, 0) / group.length,
      deviation: Math.sqrt(group.reduce((sum, one) => sum + noiseIn(one) ** 2, 0) / group.length),
      channels: [meanOf(group, 0), meanOf(group, 1), meanOf(group, 2)],
    }))
    .sort((a, b) => a.stops - b.stops || a.light - b.light);
};

/**
 * Index of the first step that no later one rises over; undefined where the brightest still rises. Beyond clip luma may
 * even fall: channels fill up one after the other.
 */
export const clipFrom = (steps: readonly Step[], perCode: number): number | undefined => {
  const flat = Math.max(FLAT, 1.5 * perCode);
  // Over steps that lie closer a shutter's own error would be taken for the curve's rise.
  const slope = (step: Step) => {
    const next = steps.find(({ stops }) => stops - step.stops > RISE_OVER);
    return next ? (next.signal - step.signal) / (next.stops - step.stops) : 0;
  };
  const rise = Math.max(...steps.map(slope));
  const last = steps[steps.length - 1];
  for (let i = RISING_FIRST; i < steps.length - 1; i += 1) {
    const later = Math.max(...steps.slice(i + 1).map(({ signal }) => signal));
    if (last.stops - steps[i].stops > FLAT_FOR && later - steps[i].signal < Math.max(flat, BARELY * rise))
      return i;
  }
  return undefined;
};

/**
 * Signal of full: the fullest channel of the steps at clip. Luma stays under it where a matrix takes from a full
 * channel what another, not yet full, adds.
 */
export const fullSignal = (filmed: readonly FilmedShot[], clipped: readonly Step[]): number => {
  const luma = Math.max(...clipped.map(({ signal }) => signal));
  const lowest = Math.min(...clipped.map(({ signal }) => signal));
  const channels = filmed.flatMap((one) =>
    isBracket(one) && one.hold.card.signal >= lowest ? one.hold.card.channels : [],
  );
  const fullest = Math.max(luma, ...channels);
  return fullest < luma + CHANNEL_OVER ? fullest : luma;
};

/** A channel this much under its own full one is not yet full: signal fraction, and code steps. Our own choice. */
const UNDER_FULL = { signal: 0.0025, codes: 1.5 } as const;
/** A channel that ends this far under the fullest one never fills: what others take from it shows. */
const FILLS = 0.004;

/** Luma of a step that is this far under what it is at clip is not at clip yet, signal fraction. Our own choice. */
const JUST_UNDER = 0.0015;

/** A channel of a step near clip that is not full, while others may be; luma, and roughly, where none tells. */
export type EdgeReading = { readonly step: Step; readonly channel?: number; readonly signal: number };

/**
 * What steps at the edge of clip still tell: their channels that are not full.
 * @param from Index of the first step at clip @param near Luma over this is near clip
 */
export const edgeReadings = (
  steps: readonly Step[],
  from: number,
  { clip, near, perCode }: { readonly clip: number; readonly near: number; readonly perCode: number },
): readonly EdgeReading[] => {
  const later = steps.slice(from + 1);
  const under = Math.max(UNDER_FULL.signal, UNDER_FULL.codes * perCode);
  const full = [0, 1, 2].map((c) => median(later.map(({ channels }) => channels[c])));
  const atClip = median(later.map(({ signal }) => signal));
  return steps
    .slice(0, from + 1)
    .filter(({ signal }) => signal > near)
    .flatMap((step): readonly EdgeReading[] => {
      const channels = step.channels.flatMap((signal, channel) =>
        full[channel] > clip - FILLS && signal < full[channel] - under ? [{ step, channel, signal }] : [],
      );
      const isUnder = step.signal < atClip - JUST_UNDER;
      return channels.length === 0 && isUnder ? [{ step, signal: step.signal }] : channels;
    });
};

/**
 * How far the mean of noisy light lies off the light's own signal, by how the curve bends there. Under no light a
 * solved curve is not known: no farther down is looked.
 */
export const bentOff = (encode: (light: number) => number, light: number, deviation: number): number => {
  const h = Math.max(1e-5, light * 0.02);
  const slope = (encode(light + h) - encode(light - h)) / (2 * h);
  const spread = slope > 0 ? Math.min(light, deviation / slope) : 0;
  const near = (encode(light + spread) + encode(light - spread)) / 2 - encode(light);
  return Number.isFinite(near) ? near : 0;
};
