import type { Chroma } from '../signal/chroma.ts';
import type { LumaId } from '../signal/luma.ts';
import type { Coding } from '../signal/scale.ts';

/** Three planes of code values, row by row. */
export type Planes = { readonly r: Uint16Array; readonly g: Uint16Array; readonly b: Uint16Array };

/** The Y'CbCr samples a picture was recorded as, at their own spacing. */
export type YcbcrSource = {
  readonly y: Uint16Array;
  readonly cb: Uint16Array;
  readonly cr: Uint16Array;
  readonly chroma: Chroma;
  readonly matrix: LumaId;
};

/** A picture as the file holds it: planar R'G'B' code values of `bitDepth`, row by row. */
export type Frame = Coding &
  Planes & {
    readonly width: number;
    readonly height: number;
    /** What R'G'B' was made from, when the file holds Y'CbCr. */
    readonly source?: YcbcrSource;
  };

/** A rectangle of pixels; x, y is its upper left corner. */
export type Rect = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
};

/** @throws RangeError when planes and size do not agree. */
export const makeFrame = (frame: Frame): Frame => {
  const pixels = frame.width * frame.height;
  for (const plane of [frame.r, frame.g, frame.b]) {
    if (plane.length !== pixels)
      throw new RangeError(`makeFrame: a plane holds ${plane.length} of ${pixels} pixels`);
  }
  return frame;
};

/** The rectangle cut to whole pixels inside the frame; at least one pixel. */
export const clampRect = (rect: Rect, { width, height }: Pick<Frame, 'width' | 'height'>): Rect => {
  const x = Math.min(width - 1, Math.max(0, Math.round(rect.x)));
  const y = Math.min(height - 1, Math.max(0, Math.round(rect.y)));
  return {
    x,
    y,
    width: Math.min(width - x, Math.max(1, Math.round(rect.width))),
    height: Math.min(height - y, Math.max(1, Math.round(rect.height))),
  };
};

/** A rectangle of a frame, cut out, each `every`-th pixel of it; its luma is made anew from R'G'B'. */
export const cutOut = (frame: Frame, region: Rect, every = 1): Frame => {
  const at = clampRect(region, frame);
  const [width, height] = [Math.ceil(at.width / every), Math.ceil(at.height / every)];
  const cut = (plane: Uint16Array) => {
    const out = new Uint16Array(width * height);
    for (let row = 0, i = 0; row < height; row += 1) {
      const from = (at.y + row * every) * frame.width + at.x;
      for (let column = 0; column < width; column += 1, i += 1) out[i] = plane[from + column * every];
    }
    return out;
  };
  const { bitDepth, range, feed } = frame;
  return { width, height, bitDepth, range, feed, r: cut(frame.r), g: cut(frame.g), b: cut(frame.b) };
};
