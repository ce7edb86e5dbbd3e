import { failure, success, type Result } from '../result.ts';
import type { FeedAnchors } from './scale.ts';

/** Level under which a share of the pixels lies. */
const quantile = (histogram: Uint32Array, share: number): number => {
  const total = histogram.reduce((sum, n) => sum + n, 0);
  let sum = 0;
  for (let level = 0; level < histogram.length; level += 1) {
    sum += histogram[level];
    if (sum >= share * total) return level;
  }
  return histogram.length - 1;
};

/** A capped picture spreads over no more than this share of all codes. Our own. */
const CAPPED_SPREAD = 0.06;
/** So much of an overexposed picture stands on its ceiling. Our own. */
const CEILING_SHARE = 0.2;

/** Code of black: the middle of a picture taken with the lens capped. Refuses one that is not even. */
export const blackOfFeed = (histogram: Uint32Array): Result<number> => {
  const spread = quantile(histogram, 0.98) - quantile(histogram, 0.02);
  if (spread > CAPPED_SPREAD * histogram.length)
    return failure(
      'black',
      'The picture is not evenly black: cap the lens, wait a moment, then take it again.',
    );
  return success(quantile(histogram, 0.5));
};

/** Code of the ceiling: where a picture that is overexposed on purpose piles up. Refuses one without a ceiling. */
export const ceilingOfFeed = (histogram: Uint32Array): Result<number> => {
  const total = histogram.reduce((sum, n) => sum + n, 0);
  const top = quantile(histogram, 0.999);
  let standing = 0;
  for (let level = Math.max(0, top - 2); level < histogram.length; level += 1) standing += histogram[level];
  if (standing < CEILING_SHARE * total)
    return failure(
      'white',
      'Less than a fifth of the picture is at its ceiling: open the iris, aim at a bright wall, then take it again.',
    );
  return success(quantile(histogram, 1 - standing / total / 2));
};

/** What the camera sends at no light and at its clip, as signal fractions. */
export type FeedTruth = { readonly blackSignal: number; readonly clipSignal: number };

/**
 * Where the feed puts 0 and 100 % of signal, from the codes it shows at no light and at clip: one straight line through
 * both. Refuses when the two are the wrong way round or too close.
 */
export const feedAnchors = (
  blackCode: number,
  ceilingCode: number,
  { blackSignal, clipSignal }: FeedTruth,
): Result<FeedAnchors> => {
  if (!(ceilingCode - blackCode > 16))
    return failure(
      'check',
      `Black at code ${blackCode} and white at code ${ceilingCode} are too close to tell anything: take both again.`,
    );
  const slope = (ceilingCode - blackCode) / (clipSignal - blackSignal);
  const black = blackCode - slope * blackSignal;
  return success({ black, white: black + slope });
};
