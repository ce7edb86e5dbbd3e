import type { Patch } from './measure.ts';
import { clampRect, type Frame } from '../frame/frame.ts';
import {
  correlation,
  cut,
  resampled,
  smallOf,
  summed,
  templateOf,
  thinnedTo,
  type Small,
  type Summed,
  type Template,
} from './smallPicture.ts';

// Marks found again in another picture of the same set-up: moved, in another size, exposed otherwise.

/** A mark with what stands round it. */
export type Remembered = {
  readonly patch: Patch;
  readonly aspect: number;
  /** Pixels that the frame was wide, and the small picture of it that the look is cut from. */
  readonly wide: number;
  readonly smallWide: number;
  readonly look: Small;
  /** Upper left corner of the look in the small picture. */
  readonly left: number;
  readonly top: number;
};

/** Widths the pictures are searched at: all over the first, near what was found there in the second. */
const WIDTHS = [160, 480] as const;
/** How much of its surroundings is taken with a mark, in its own sides each way. */
const AROUND = 0.75;
/** Sizes a mark is looked for in, against the one it was remembered in: 0.71 to 1.41, a tenth of an octave apart. */
const SIZES = Array.from({ length: 11 }, (_, i) => 2 ** ((i - 5) / 10));
/** Half a step, tried about each size in the fine picture. */
const HALF_STEP = 2 ** (1 / 20);
/** Least side of a look, pixels: less is too little to be known by. */
const LEAST_SIDE = 5;
/** A small mark takes more of its surroundings along: its look is as wide and high as this in the fine picture. */
const LEAST_LOOK = 36;
/** Places of the coarse search that are looked at closely, sizes of each, and places of each size. */
const CANDIDATES = 5;
const SIZES_OF_EACH = 2;
const OF_EACH = 3;
/** Between two places that are tried in the coarse picture, pixels. */
const EVERY = 2;
/** Pixels of the fine picture searched about each. */
const NEAR = 6;
/** Correlation that counts as found; a second place as good, apart from the first, makes it a guess. */
const FOUND = 0.8;
const AHEAD = 0.03;
/** Largest difference in shape between the pictures that still are of one set-up. */
const SAME_ASPECT = 0.02;

/** Marks of a frame with what stands round them; rectangles in pixels of the frame. */
export const rememberMarks = (frame: Frame, patches: readonly Patch[]): readonly Remembered[] => {
  const small = smallOf(frame, WIDTHS[1]);
  return patches.map((patch) => {
    const { rect } = patch;
    const scale = small.width / frame.width;
    const [w, h] = [rect.width * scale, rect.height * scale];
    const [wide, high] = [w, h].map((side) => Math.max(LEAST_LOOK, (1 + 2 * AROUND) * side));
    const [x, y] = [rect.x * scale + w / 2, rect.y * scale + h / 2];
    // At an edge of the frame it is cut there.
    const [left, top] = [Math.max(0, x - wide / 2), Math.max(0, y - high / 2)];
    const [right, bottom] = [Math.min(small.width, x + wide / 2), Math.min(small.height, y + high / 2)];
    const box = clampRect(
      {
        x: left,
        y: top,
        width: Math.max(LEAST_SIDE, right - left),
        height: Math.max(LEAST_SIDE, bottom - top),
      },
      small,
    );
    return {
      patch,
      aspect: frame.width / frame.height,
      wide: frame.width,
      smallWide: small.width,
      look: cut(small, box),
      left: box.x,
      top: box.y,
    };
  });
};

/** Upper left corner of a look in a picture, its size against the remembered one, and how well it fits. */
type Place = { readonly x: number; readonly y: number; readonly size: number; readonly score: number };
type Look = { readonly small: Template; readonly size: number };

/** Best places in a window of the picture, best first; places that overlap one that is better are left out. */
const bestPlaces = (
  picture: Summed,
  { small: template, size }: Look,
  [x0, y0, x1, y1]: readonly number[],
  { most, every }: { readonly most: number; readonly every: number },
): Place[] => {
  const best: Place[] = [];
  const [lastX, lastY] = [picture.width - template.width, picture.height - template.height];
  for (let y = Math.max(0, y0); y <= Math.min(lastY, y1); y += every)
    for (let x = Math.max(0, x0); x <= Math.min(lastX, x1); x += every) {
      const score = correlation(picture, template, x, y);
      if (score > 0 && (best.length < most || score > best[best.length - 1].score))
        put(best, { x, y, size, score }, template, most);
    }
  return best;
};

/** Puts a place among the best; of places that overlap the better one stays. */
const put = (best: Place[], place: Place, template: Small, most: number): void => {
  if (best.some((other) => other.score >= place.score && !isApart(other, place, template))) return;
  for (let i = best.length - 1; i >= 0; i -= 1) if (!isApart(best[i], place, template)) best.splice(i, 1);
  const at = best.findIndex(({ score }) => score < place.score);
  best.splice(at < 0 ? best.length : at, 0, place);
  if (best.length > most) best.length = most;
};

const isApart = (a: Place, b: Place, { width, height }: Small): boolean =>
  Math.abs(a.x - b.x) > width / 2 || Math.abs(a.y - b.y) > height / 2;

/** The look in the size it has in a picture `wide` pixels wide, at a size against the remembered one. */
const lookAt = ({ look, smallWide }: Remembered, wide: number, size: number): Look | undefined => {
  const scale = (size * wide) / smallWide;
  const [width, height] = [Math.round(look.width * scale), Math.round(look.height * scale)];
  if (Math.min(width, height) < LEAST_SIDE) return undefined;
  const isSame = width === look.width && height === look.height;
  const small = templateOf(isSame ? look : resampled(look, width, height));
  return small && { small, size };
};

/** Where between pixels a score has its peak, from it and its two neighbours: -0.5 to 0.5. */
const peakOf = (before: number, here: number, after: number): number => {
  const bend = before - 2 * here + after;
  return bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
};

/** A place to parts of a pixel. */
const between = (picture: Summed, { small }: Look, place: Place): Place => {
  const { x, y, score } = place;
  const [lastX, lastY] = [picture.width - small.width, picture.height - small.height];
  const at = (u: number, v: number) => correlation(picture, small, u, v);
  const isInside = x > 0 && y > 0 && x < lastX && y < lastY;
  if (!isInside) return place;
  return {
    ...place,
    x: x + peakOf(at(x - 1, y), score, at(x + 1, y)),
    y: y + peakOf(at(x, y - 1), score, at(x, y + 1)),
  };
};

/** The best place near a coarse one, in the fine picture. */
const closer = (mark: Remembered, large: Summed, step: number, coarse: Place): Place[] => {
  const [u, v] = [Math.round(coarse.x * step), Math.round(coarse.y * step)];
  const places = [coarse.size / HALF_STEP, coarse.size, coarse.size * HALF_STEP].flatMap((size) => {
    const look = lookAt(mark, large.width, size);
    if (!look) return [];
    const window = [u - NEAR, v - NEAR, u + NEAR, v + NEAR];
    return bestPlaces(large, look, window, { most: 1, every: 1 }).map((place) => between(large, look, place));
  });
  return places.toSorted((a, b) => b.score - a.score).slice(0, 1);
};

/** The best of the coarse places, each in its best sizes. */
const candidates = (coarse: readonly Place[], look: Small): readonly Place[] => {
  const kept: Place[][] = [];
  for (const place of coarse.toSorted((a, b) => b.score - a.score)) {
    const same = kept.find(([other]) => !isApart(other, place, look));
    if (same) {
      if (same.length < SIZES_OF_EACH) same.push(place);
    } else if (kept.length < CANDIDATES) kept.push([place]);
  }
  return kept.flat();
};

const findOne = ([small, large]: readonly Summed[], mark: Remembered): Place | undefined => {
  const step = large.width / small.width;
  const coarse = SIZES.flatMap((size) => {
    const look = lookAt(mark, small.width, size);
    return look
      ? bestPlaces(small, look, [0, 0, small.width, small.height], { most: OF_EACH, every: EVERY })
      : [];
  });
  const found = candidates(coarse, lookAt(mark, small.width, 1)?.small ?? mark.look)
    .flatMap((place) => closer(mark, large, step, place))
    .toSorted((a, b) => b.score - a.score);
  const [first] = found;
  if (!first || first.score < FOUND) return undefined;
  const second = found.find((place) => isApart(first, place, mark.look));
  return second && first.score - second.score < AHEAD ? undefined : first;
};

/** Correlation from which a mark counts as found where it was a moment before. */
const STILL_THERE = 0.9;
/** Pixels of the fine picture it may have moved since. */
const MOVED = 12;

/** The mark about where it was before, in about that size; undefined where it is not surely there. */
const nearPlace = (
  large: Summed,
  mark: Remembered,
  before: Patch | undefined,
  frame: Frame,
): Place | undefined => {
  if (!before) return undefined;
  const { patch, wide, smallWide, left, top } = mark;
  const perFine = large.width / frame.width;
  const size = (before.rect.width / patch.rect.width) * (wide / frame.width);
  const grown = (size * large.width) / smallWide;
  const x = Math.round(before.rect.x * perFine - ((patch.rect.x * smallWide) / wide - left) * grown);
  const y = Math.round(before.rect.y * perFine - ((patch.rect.y * smallWide) / wide - top) * grown);
  const window = [x - MOVED, y - MOVED, x + MOVED, y + MOVED];
  const [best] = [size / HALF_STEP, size, size * HALF_STEP]
    .flatMap((one) => {
      const look = lookAt(mark, large.width, one);
      if (!look) return [];
      return bestPlaces(large, look, window, { most: 1, every: 1 }).map((place) =>
        between(large, look, place),
      );
    })
    .toSorted((a, b) => b.score - a.score);
  return best && best.score >= STILL_THERE ? best : undefined;
};

/** A mark in another picture, and how well it fits there, up to 1. */
export type FoundMark = Patch & { readonly score: number };

/**
 * Marks of one frame in another of the same set-up: moved, in 0.7 to 1.4 times their size, exposed otherwise.
 * @returns The marks that were found, in pixels of this frame, and the ids of those that were not.
 */
export const refindMarks = (
  frame: Frame,
  remembered: readonly Remembered[],
  /** Where they were a moment before, in pixels of this frame: they are looked for there first. */
  near: readonly Patch[] = [],
): { readonly found: readonly FoundMark[]; readonly lost: readonly string[] } => {
  const fine = smallOf(frame, WIDTHS[1]);
  const pictures = [summed(thinnedTo(fine, WIDTHS[0])), summed(fine)];
  const found: FoundMark[] = [];
  const lost: string[] = [];
  for (const mark of remembered) {
    const { patch, aspect, wide, smallWide, left, top } = mark;
    const isSameShape = Math.abs(frame.width / frame.height / aspect - 1) < SAME_ASPECT;
    const before = near.find(({ id }) => id === patch.id);
    const place = isSameShape
      ? (nearPlace(pictures[1], mark, before, frame) ?? findOne(pictures, mark))
      : undefined;
    if (!place) {
      lost.push(patch.id);
      continue;
    }
    // From pixels of the remembered frame to those of its look, then on to this frame.
    const perSmall = smallWide / wide;
    const grown = (place.size * pictures[1].width) / smallWide;
    const perFrame = frame.width / pictures[1].width;
    const { x, y, width, height } = patch.rect;
    const rect = {
      x: (place.x + (x * perSmall - left) * grown) * perFrame,
      y: (place.y + (y * perSmall - top) * grown) * perFrame,
      width: width * perSmall * grown * perFrame,
      height: height * perSmall * grown * perFrame,
    };
    found.push({ ...patch, rect: clampRect(rect, frame), score: place.score });
  }
  return { found, lost };
};
