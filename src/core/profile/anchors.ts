import { failure, success, type Failure, type Result } from '../result.ts';
import { codeToSignal, maxCode, SCALES, type Coding, type ScaleId } from '../signal/scale.ts';
import { printStops, stopsToReflectance } from '../units.ts';
import type { Anchor, CurveReading } from './types.ts';
import { outsideScale, tooFewPlaces } from './profileWords.ts';

/** Reflectance the three printed anchors stand for. */
const ANCHOR_REFLECTANCE = { black: 0, grey: 0.18, white: 0.9 } as const;

export const ANCHOR_NAMES = { black: '0 %', grey: '18 %', white: '90 %', clip: 'clip' } as const;

/** What an anchor is called in sentences. */
const anchorName = ({ id, stops }: Pick<Anchor, 'id' | 'stops'>): string =>
  id === 'extra' ? `the reading at ${printStops(stops ?? 0)}` : ANCHOR_NAMES[id];

/** An anchor as a point of the curve. */
export type AnchorPoint = CurveReading & { readonly id: Anchor['id']; readonly name: string };

/** A number read or printed to the whole percent is off by at most half a percent: 1 / sqrt(12). */
export const PRINTED_SIGMA = 0.01 / Math.sqrt(12);
/** However many digits are printed, no camera is more exact than this. Our own choice. */
const FINEST_SIGMA = 0.0002;
// Where a maker puts "clip" is a matter of wording; it is trusted less. Our own choice.
const CLIP_SIGMA = 0.01;

const ROUNDING = 0.05;

const bounds = (scale: ScaleId, coding: Coding): readonly [number, number] =>
  scale === 'codeValue'
    ? [0, maxCode(coding.bitDepth)]
    : scale === 'fullCodePercent'
      ? [0, 100]
      : [100 * codeToSignal(0, coding), 100 * codeToSignal(maxCode(coding.bitDepth), coding)];

const outOfScale = (anchor: Anchor, scale: ScaleId, coding: Coding): Failure | undefined => {
  const [low, high] = bounds(scale, coding);
  const name = anchorName(anchor);
  if (!Number.isFinite(anchor.reading)) return failure(name, `Type a number for ${name}.`);
  // The top code is called 109.5 %, which is itself rounded up.
  if (anchor.reading >= low - ROUNDING && anchor.reading <= high + ROUNDING) return undefined;
  return failure(
    name,
    outsideScale(name, anchor.reading, { low, high, name: SCALES[scale].name, bitDepth: coding.bitDepth }),
  );
};

const notIncreasing = (points: readonly AnchorPoint[]): Failure | undefined => {
  for (let i = 1; i < points.length; i += 1) {
    const [before, here] = [points[i - 1], points[i]];
    if (here.signal === before.signal) {
      return failure(
        here.name,
        `${before.name} and ${here.name} have the same reading: a curve needs different ones.`,
      );
    }
    if (here.signal < before.signal) {
      return failure(
        here.name,
        `${here.name} reads lower than ${before.name}: readings must rise from 0 % to clip.`,
      );
    }
    if (here.reflectance <= before.reflectance) {
      return failure(
        here.name,
        here.id === 'clip'
          ? 'Clip lies under 90 % white (+2 1/3 stops): type its stops over grey, or leave them empty.'
          : `${here.name} and ${before.name} are the same tone: leave one out.`,
      );
    }
  }
  return undefined;
};

const reflectanceOf = ({ id, stops }: Anchor): number => {
  if (id === 'extra') return stopsToReflectance(stops ?? 0);
  if (id === 'clip') return stops === undefined ? Infinity : stopsToReflectance(stops);
  return ANCHOR_REFLECTANCE[id];
};

const toPoint = (anchor: Anchor, scale: ScaleId, coding: Coding): AnchorPoint => {
  const { toSignal } = SCALES[scale];
  const signal = toSignal(anchor.reading, coding);
  const step = toSignal(anchor.reading + (anchor.step ?? 1), coding) - signal;
  // A chip is read off a waveform, where more than rounding is off.
  const isPrinted = anchor.id !== 'clip' && !anchor.placeSd;
  const isRounded = isPrinted && step / Math.sqrt(12) > FINEST_SIGMA;
  return {
    id: anchor.id,
    name: anchorName(anchor),
    reflectance: reflectanceOf(anchor),
    signal,
    sigma: anchor.id === 'clip' ? CLIP_SIGMA : Math.max(FINEST_SIGMA, step / Math.sqrt(12)),
    ...(isRounded ? { rounded: true } : {}),
    placeSd: anchor.placeSd,
  };
};

/** Fewest readings with a place of their own; two leave a wide band. */
const FEWEST = 2;

/**
 * What was typed as points (reflectance, signal fraction), in rising order, checked.
 * A clip without stops is left out of the points: its reading alone says where the curve ends, not how it runs.
 * @returns a failure naming the anchor that is out of scale, equal or not increasing.
 */
export const readAnchors = (
  anchors: readonly Anchor[],
  scale: ScaleId,
  coding: Coding,
): Result<{
  readonly points: readonly AnchorPoint[];
  readonly clipSignal?: number;
  readonly clipStops?: number;
}> => {
  for (const anchor of anchors) {
    const wrong = outOfScale(anchor, scale, coding);
    if (wrong) return wrong;
  }
  const clip = anchors.find(({ id }) => id === 'clip');
  const below = anchors
    .filter(({ id }) => id !== 'clip')
    .map((anchor) => toPoint(anchor, scale, coding))
    .sort((a, b) => a.reflectance - b.reflectance);
  const all = [...below, ...(clip ? [toPoint(clip, scale, coding)] : [])];
  const wrong = notIncreasing(all);
  if (wrong) return wrong;
  const points = all.filter(({ reflectance }) => Number.isFinite(reflectance));
  if (points.length < FEWEST)
    return failure(points.length === 0 ? ANCHOR_NAMES.grey : points[0].name, tooFewPlaces(points.length));
  return success({
    points,
    clipSignal: all.find(({ id }) => id === 'clip')?.signal,
    clipStops: clip?.stops,
  });
};
