import { cutRound, lookOf, rectOf, type Look, type Place, type Remembered } from './looks.ts';
import type { Patch } from './measure.ts';
import { bestPlaces, closer, isApart, lookAt } from './places.ts';
import { clampRect, type Frame, type Rect } from '../frame/frame.ts';
import { smallOf, summed, thinnedTo, type Small, type Summed } from './smallPicture.ts';

// Marks found again in another picture of the same set-up: moved, in another size, exposed otherwise.

/** Widths the pictures are searched at: all over the first, near what was found there in the second. */
const WIDTHS = [160, 480] as const;
/** How much of its surroundings is taken with a mark, in its own sides each way. */
const AROUND = 0.75;
/** Sizes a mark is looked for in, against the one it was remembered in: 0.71 to 1.41, a tenth of an octave apart. */
const SIZES = Array.from({ length: 11 }, (_, i) => 2 ** ((i - 5) / 10));
/** A small mark takes more of its surroundings along: its look is as wide and high as this in the fine picture. */
const LEAST_LOOK = 36;
/** Places of the coarse search that are looked at closely, sizes of each, and places of each size. */
const CANDIDATES = 5;
const SIZES_OF_EACH = 2;
const OF_EACH = 3;
/** Between two places that are tried in the coarse picture, pixels. */
const EVERY = 2;
/** Correlation that counts as found; a second place as good, apart from the first, makes it a guess. */
const FOUND = 0.8;
const AHEAD = 0.03;
/** Width of the picture in which what moves by itself is looked at where it is tiny, under so many pixels there. */
const CORE_WIDTH = 960;
const TINY = 40;
/** How much of its surroundings goes along. */
const CORE_AROUND = 0.3;
const LEAST_CORE = 12;
/** People move before what stands behind them. */
const moves = ({ kind }: Patch): boolean => kind === 'skin';
/** Largest difference in shape between the pictures that still are of one set-up. */
const SAME_ASPECT = 0.02;

/** Marks of a frame with what stands round them; rectangles in pixels of the frame. */
export const rememberMarks = (frame: Frame, patches: readonly Patch[]): readonly Remembered[] => {
  const small = smallOf(frame, WIDTHS[1]);
  const isTiny = ({ rect }: Patch) => Math.max(rect.width, rect.height) * CORE_WIDTH < TINY * frame.width;
  const large = patches.some((patch) => moves(patch) && isTiny(patch)) ? smallOf(frame, CORE_WIDTH) : small;
  return patches.map((patch) => ({
    patch,
    aspect: frame.width / frame.height,
    wide: frame.width,
    ...cutRound(small, frame, patch.rect, { around: AROUND, least: LEAST_LOOK }),
    ...(moves(patch)
      ? {
          core: cutRound(isTiny(patch) ? large : small, frame, patch.rect, {
            around: CORE_AROUND,
            least: LEAST_CORE,
          }),
        }
      : {}),
  }));
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
/** Pixels of the fine picture it may have moved since; of the finest, what moves by itself. */
const MOVED = 12;
const CORE_MOVED = 32;
/** Least side it is shown in where it is looked for anywhere, pixels. */
const SHOWN = 10;
/** Sizes in which what moves by itself is looked for anywhere, and what it has to come to there. */
const CORE_SIZES = [2 ** -0.25, 1, 2 ** 0.25] as const;
const CORE_FOUND = 0.86;
const CORE_AHEAD = 0.04;
/** What it has to come to where all that stands round it fits, and how far from there, pixels of the finest picture. */
const CORE_FITS = 0.8;
const CORE_NEAR = 4;

/** The best fit of a look about a rectangle of the frame, in about its size. */
const fitAbout = (
  mark: Remembered,
  look: Look,
  rect: Rect,
  on: { readonly picture: Summed; readonly frame: Frame },
  moved: number,
): Place | undefined => {
  const about = lookOf(mark, look, rect, on);
  return closer(look, on.picture, 1, { ...about, score: 0 }, moved)[0];
};

/** A frame with its pictures, the smallest first. */
type On = { readonly pictures: readonly Summed[]; readonly frame: Frame };

/** The picture of a frame in which a core is looked at. */
const pictureFor = ({ smallWide }: Look, { pictures }: On): Summed =>
  smallWide > WIDTHS[1] ? pictures[pictures.length - 1] : pictures[1];

type Fit = { readonly rect: Rect; readonly score: number };

/** What moves by itself, looked for all over the picture: only where nothing else fits nearly as well. */
const coreAnywhere = (mark: Remembered, core: Look, on: On): Fit | undefined => {
  const large = pictureFor(core, on);
  // The smallest picture that still shows it.
  const shows = ({ width }: Small) =>
    (Math.min(core.look.width, core.look.height) * width) / core.smallWide >= SHOWN;
  const fine = on.pictures.find(shows) ?? large;
  const step = large.width / fine.width;
  const coarse = CORE_SIZES.flatMap((size) => {
    const look = lookAt(core, fine.width, size);
    return look ? bestPlaces(fine, look, [0, 0, fine.width, fine.height], { most: 8, every: 2 }) : [];
  });
  const found = coarse
    .flatMap((place) => closer(core, large, step, place))
    .toSorted((a, b) => b.score - a.score);
  const [first] = found;
  if (!first || first.score < CORE_FOUND) return undefined;
  const second = found.find((place) => isApart(first, place, core.look));
  if (second && first.score - second.score < CORE_AHEAD) return undefined;
  return { rect: rectOf(mark, core, first, { picture: large, frame: on.frame }), score: first.score };
};

/** What moves by itself: near where it was, else where the whole look fits and it does too, else anywhere. */
const findMoving = (mark: Remembered, core: Look, before: Rect | undefined, on: On): Fit | undefined => {
  const at = { picture: pictureFor(core, on), frame: on.frame };
  const per = at.picture.width / CORE_WIDTH;
  const fitted = (rect: Rect, moved: number, least: number): Fit | undefined => {
    const place = fitAbout(mark, core, rect, at, moved);
    return place && place.score >= least
      ? { rect: rectOf(mark, core, place, at), score: place.score }
      : undefined;
  };
  const near = before && fitted(before, Math.ceil(CORE_MOVED * per), STILL_THERE);
  if (near) return near;
  const still = findStill(mark, before, on);
  const fits = still && fitted(still.rect, CORE_NEAR, CORE_FITS);
  // All round it fits as well: it stood still, and that tells its place best.
  if (fits && still.score >= STILL_THERE) return still;
  return fits ?? coreAnywhere(mark, core, on);
};

/** What stands still before its surroundings. */
const findStill = (mark: Remembered, before: Rect | undefined, { pictures, frame }: On): Fit | undefined => {
  const at = { picture: pictures[1], frame };
  const near = before && fitAbout(mark, mark, before, at, MOVED);
  const place = near && near.score >= STILL_THERE ? near : findOne(pictures, mark);
  return place && { rect: rectOf(mark, mark, place, at), score: place.score };
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
  const isTiny = remembered.some(({ core }) => core && core.smallWide > WIDTHS[1]);
  const on: On = {
    frame,
    pictures: [
      summed(thinnedTo(fine, WIDTHS[0])),
      summed(fine),
      ...(isTiny ? [summed(smallOf(frame, CORE_WIDTH))] : []),
    ],
  };
  const found: FoundMark[] = [];
  const lost: string[] = [];
  for (const mark of remembered) {
    const { patch, aspect, core } = mark;
    const isSameShape = Math.abs(frame.width / frame.height / aspect - 1) < SAME_ASPECT;
    const before = near.find(({ id }) => id === patch.id)?.rect;
    const fit = !isSameShape
      ? undefined
      : core
        ? findMoving(mark, core, before, on)
        : findStill(mark, before, on);
    if (fit) found.push({ ...patch, rect: clampRect(fit.rect, frame), score: fit.score });
    else lost.push(patch.id);
  }
  return { found, lost };
};
