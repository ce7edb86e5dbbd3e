import { clampRect, type Frame, type Rect } from '../frame/frame.ts';
import { markedRegions, type Region } from './regions.ts';

/** A rectangle marked on the picture. */
export type Patch = {
  readonly id: string;
  readonly kind: 'card' | 'skin';
  readonly subjectId?: string;
  readonly rect: Rect;
};

/** Mean code values of a patch and the standard deviation of its luma. */
export type PatchReading = {
  readonly patch: Patch;
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly luma: number;
  readonly sd: number;
  readonly pixels: number;
};

/** Mask bits of a pixel. */
export const CLIP_R = 1;
export const CLIP_G = 2;
export const CLIP_B = 4;
export const CLIP_ALL = 7;
export const UNDER_FLOOR = 8;

export type Clipping = {
  /** Shares of the picture, 0..1: red, green, blue clipped (whatever the others do). */
  readonly r: number;
  readonly g: number;
  readonly b: number;
  /** All three clipped. */
  readonly all: number;
  /** At least one, but not all three. */
  readonly some: number;
  /** Areas in which all three clip, largest first. */
  readonly allRegions: readonly Region[];
  /** Areas in which the channel that clips most clips, largest first. */
  readonly channelRegions: readonly Region[];
};

export type Shadows = { readonly share: number; readonly regions: readonly Region[] };

/** Marks each pixel whose channels stand at or over `clipCode`, or whose luma stands under `floorCode`. */
export const levelMask = (
  { r, g, b }: Frame,
  luma: Uint16Array,
  clipCode: number,
  floorCode: number,
): Uint8Array => {
  const mask = new Uint8Array(luma.length);
  for (let i = 0; i < mask.length; i += 1) {
    mask[i] =
      (r[i] >= clipCode ? CLIP_R : 0) |
      (g[i] >= clipCode ? CLIP_G : 0) |
      (b[i] >= clipCode ? CLIP_B : 0) |
      (luma[i] < floorCode ? UNDER_FLOOR : 0);
  }
  return mask;
};

/** Which channels clip, how much of the picture and where. */
export const measureClipping = (mask: Uint8Array, width: number, height: number): Clipping => {
  const counts = new Uint32Array(16);
  for (let i = 0; i < mask.length; i += 1) counts[mask[i] & 15] += 1;
  const share = (test: (bits: number) => boolean) =>
    counts.reduce((sum, count, bits) => (test(bits) ? sum + count : sum), 0) / mask.length;
  const channels = [CLIP_R, CLIP_G, CLIP_B].map((bit) => share((bits) => (bits & bit) !== 0));
  const first = [CLIP_R, CLIP_G, CLIP_B][channels.indexOf(Math.max(...channels))];
  return {
    r: channels[0],
    g: channels[1],
    b: channels[2],
    all: share((bits) => (bits & CLIP_ALL) === CLIP_ALL),
    some: share((bits) => (bits & CLIP_ALL) !== 0 && (bits & CLIP_ALL) !== CLIP_ALL),
    allRegions: markedRegions(mask, width, height, CLIP_ALL),
    channelRegions: markedRegions(mask, width, height, first),
  };
};

export const measureShadows = (mask: Uint8Array, width: number, height: number): Shadows => {
  let under = 0;
  for (let i = 0; i < mask.length; i += 1) if (mask[i] & UNDER_FLOOR) under += 1;
  return { share: under / mask.length, regions: markedRegions(mask, width, height, UNDER_FLOOR) };
};

/** Mean codes of a patch; the patch is cut to the picture. */
export const measurePatch = (frame: Frame, luma: Uint16Array, patch: Patch): PatchReading => {
  const { x, y, width, height } = clampRect(patch.rect, frame);
  let [r, g, b, l, squares] = [0, 0, 0, 0, 0];
  for (let row = y; row < y + height; row += 1) {
    for (let i = row * frame.width + x; i < row * frame.width + x + width; i += 1) {
      r += frame.r[i];
      g += frame.g[i];
      b += frame.b[i];
      l += luma[i];
      squares += luma[i] * luma[i];
    }
  }
  const pixels = width * height;
  const mean = l / pixels;
  return {
    patch,
    r: r / pixels,
    g: g / pixels,
    b: b / pixels,
    luma: mean,
    sd: Math.sqrt(Math.max(0, squares / pixels - mean * mean)),
    pixels,
  };
};
