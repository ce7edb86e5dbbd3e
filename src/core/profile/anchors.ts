import { failure, success, type Failure, type Result } from '../result.ts';
import { codeToSignal, maxCode, SCALES, type Coding, type ScaleId } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';
import type { Anchor } from './types.ts';

/** Reflectance the three printed anchors stand for. */
export const ANCHOR_REFLECTANCE = { black: 0, grey: 0.18, white: 0.9 } as const;

export const ANCHOR_NAMES = { black: '0 %', grey: '18 %', white: '90 %', clip: 'clip' } as const;

/** A point the curve must pass, with how exactly it is known. */
export type AnchorPoint = {
  readonly id: Anchor['id'];
  readonly reflectance: number;
  readonly signal: number;
  /** Standard deviation in signal fraction. */
  readonly sigma: number;
};

// A number printed to the whole percent is off by at most half a percent: 0.5 / sqrt(3).
const PRINTED_SIGMA = 0.005 / Math.sqrt(3);
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
  const name = ANCHOR_NAMES[anchor.id];
  if (!Number.isFinite(anchor.reading)) return failure(name, `Type a number for ${name}.`);
  // The top code is called 109.5 %, which is itself rounded up.
  if (anchor.reading >= low - ROUNDING && anchor.reading <= high + ROUNDING) return undefined;
  return failure(
    name,
    `${name} reads ${anchor.reading}, outside ${low.toFixed(0)} to ${high.toFixed(0)} ${SCALES[scale].name} at ${coding.bitDepth} bit: check the number or the scale.`,
  );
};

const notIncreasing = (points: readonly AnchorPoint[]): Failure | undefined => {
  for (let i = 1; i < points.length; i += 1) {
    const [before, here] = [points[i - 1], points[i]];
    const names = `${ANCHOR_NAMES[before.id]} and ${ANCHOR_NAMES[here.id]}`;
    if (here.signal === before.signal) {
      return failure(ANCHOR_NAMES[here.id], `${names} have the same reading: a curve needs different ones.`);
    }
    if (here.signal < before.signal) {
      return failure(
        ANCHOR_NAMES[here.id],
        `${ANCHOR_NAMES[here.id]} reads lower than ${ANCHOR_NAMES[before.id]}: readings must rise from 0 % to clip.`,
      );
    }
    if (here.reflectance <= before.reflectance) {
      return failure(
        'clip',
        'Clip lies under 90 % white (+2 1/3 stops): type its stops over grey, or leave them empty.',
      );
    }
  }
  return undefined;
};

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
  const order = ['black', 'grey', 'white', 'clip'] as const;
  const sorted = order.flatMap((id) => anchors.filter((anchor) => anchor.id === id));
  for (const anchor of sorted) {
    const wrong = outOfScale(anchor, scale, coding);
    if (wrong) return wrong;
  }
  const missing = (['black', 'grey', 'white'] as const).find(
    (id) => !sorted.some((anchor) => anchor.id === id),
  );
  if (missing)
    return failure(
      ANCHOR_NAMES[missing],
      `${ANCHOR_NAMES[missing]} is missing: a curve needs 0 %, 18 % and 90 %.`,
    );
  const clip = sorted.find((anchor) => anchor.id === 'clip');
  const all = sorted.map((anchor) => ({
    id: anchor.id,
    reflectance:
      anchor.id === 'clip'
        ? anchor.stops === undefined
          ? Infinity
          : stopsToReflectance(anchor.stops)
        : ANCHOR_REFLECTANCE[anchor.id],
    signal: SCALES[scale].toSignal(anchor.reading, coding),
    sigma: anchor.id === 'clip' ? CLIP_SIGMA : PRINTED_SIGMA,
  }));
  const wrong = notIncreasing(all);
  if (wrong) return wrong;
  return success({
    points: all.filter((point) => Number.isFinite(point.reflectance)),
    clipSignal: all.find((point) => point.id === 'clip')?.signal,
    clipStops: clip?.stops,
  });
};
