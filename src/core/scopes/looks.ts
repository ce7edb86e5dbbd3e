import { clampRect, type Frame, type Rect } from '../frame/frame.ts';
import type { Patch } from './measure.ts';
import { cut, type Small } from './smallPicture.ts';

// What a mark looked like, cut from a small picture of its frame, and where it lies in others.

/** A part of a small picture of a frame: how wide the whole is, and where the part lies in it. */
export type Look = {
  readonly smallWide: number;
  readonly look: Small;
  readonly left: number;
  readonly top: number;
};

/** Upper left corner of a look in a picture, its size against the remembered one, and how well it fits. */
export type Place = { readonly x: number; readonly y: number; readonly size: number; readonly score: number };

/** A mark with what stands round it. */
export type Remembered = Look & {
  readonly patch: Patch;
  readonly aspect: number;
  /** Pixels that the frame was wide. */
  readonly wide: number;
  /** What moves before its surroundings, by itself: a face. */
  readonly core?: Look;
};

/** Least side of a look, pixels: less is too little to be known by. */
export const LEAST_SIDE = 5;

/** A mark cut from a small picture with so much of its surroundings each way, in its own sides; at least so wide. */
export const cutRound = (
  small: Small,
  frame: Frame,
  rect: Rect,
  { around, least }: { readonly around: number; readonly least: number },
): Look => {
  const scale = small.width / frame.width;
  const [w, h] = [rect.width * scale, rect.height * scale];
  const [wide, high] = [w, h].map((side) => Math.max(least, (1 + 2 * around) * side));
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
  return { smallWide: small.width, look: cut(small, box), left: box.x, top: box.y };
};

/** Where a look would lie in a picture if its mark were at a rectangle of the frame. */
export const lookOf = (
  { patch, wide }: Remembered,
  { smallWide, left, top }: Look,
  rect: Rect,
  { picture, frame }: { readonly picture: Small; readonly frame: Frame },
): Omit<Place, 'score'> => {
  const perPicture = picture.width / frame.width;
  const size = (rect.width / patch.rect.width) * (wide / frame.width);
  const grown = (size * picture.width) / smallWide;
  return {
    size,
    x: rect.x * perPicture - ((patch.rect.x * smallWide) / wide - left) * grown,
    y: rect.y * perPicture - ((patch.rect.y * smallWide) / wide - top) * grown,
  };
};

/** The rectangle of the frame that a mark has where its look lies at a place of a picture. */
export const rectOf = (
  { patch, wide }: Remembered,
  { smallWide, left, top }: Look,
  place: Place,
  { picture, frame }: { readonly picture: Small; readonly frame: Frame },
): Rect => {
  const perSmall = smallWide / wide;
  const grown = (place.size * picture.width) / smallWide;
  const perFrame = frame.width / picture.width;
  const { x, y, width, height } = patch.rect;
  return {
    x: (place.x + (x * perSmall - left) * grown) * perFrame,
    y: (place.y + (y * perSmall - top) * grown) * perFrame,
    width: width * perSmall * grown * perFrame,
    height: height * perSmall * grown * perFrame,
  };
};
