import type { Triple } from '../maths/matrix.ts';
import type { Profile } from '../profile/index.ts';
import { codeToSignal, maxCode, type Coding } from '../signal/scale.ts';
import { clampRect, type Frame, type Rect } from '../frame/frame.ts';
import {
  CLIP_ALL,
  CLIP_B,
  CLIP_G,
  CLIP_R,
  emptyCells,
  markCells,
  markTotals,
  UNDER_FLOOR,
  type MarkCells,
} from './marks.ts';
import { markedRegions, type Region } from './regions.ts';

/** What a marked place shows. */
export type PatchKind = 'card' | 'skin' | 'neutral' | 'white';

/** A rectangle marked on the picture. */
export type Patch = {
  readonly id: string;
  readonly kind: PatchKind;
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
  /** Mean of linear R, G, B (1.0 = diffuse white), where the curve was at hand: what a spot meter averages. */
  readonly light?: Triple;
};

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

/** Which channels clip, how much of the picture and where. */
export const measureClipping = (cells: MarkCells): Clipping => {
  const totals = markTotals(cells);
  const pixels = cells.width * cells.height;
  const share = (test: (bits: number) => boolean) =>
    totals.reduce((sum, count, bits) => (test(bits) ? sum + count : sum), 0) / pixels;
  const channels = [CLIP_R, CLIP_G, CLIP_B].map((bit) => share((bits) => (bits & bit) !== 0));
  const first = [CLIP_R, CLIP_G, CLIP_B][channels.indexOf(Math.max(...channels))];
  return {
    r: channels[0],
    g: channels[1],
    b: channels[2],
    all: share((bits) => (bits & CLIP_ALL) === CLIP_ALL),
    some: share((bits) => (bits & CLIP_ALL) !== 0 && (bits & CLIP_ALL) !== CLIP_ALL),
    allRegions: markedRegions(cells, CLIP_ALL),
    channelRegions: markedRegions(cells, first),
  };
};

export const measureShadows = (cells: MarkCells): Shadows => ({
  share:
    markTotals(cells).reduce((sum, count, bits) => (bits & UNDER_FLOOR ? sum + count : sum), 0) /
    (cells.width * cells.height),
  regions: markedRegions(cells, UNDER_FLOOR),
});

/** Linear light of each code of a coding through a profile, held at its clip. */
export const lightByCode = (profile: Profile, coding: Coding): Float32Array =>
  Float32Array.from({ length: maxCode(coding.bitDepth) + 1 }, (_, code) =>
    profile.transfer.decode(Math.min(profile.clipSignal, codeToSignal(code, coding))),
  );

/**
 * Mean codes of a patch; the patch is cut to the picture. With `lights` (see lightByCode) also its mean
 * light: on a curve the mean of the codes is less than that where a patch is uneven.
 */
export const measurePatch = (
  frame: Frame,
  luma: Uint16Array,
  patch: Patch,
  lights?: Float32Array,
): PatchReading => {
  const { x, y, width, height } = clampRect(patch.rect, frame);
  let [r, g, b, l, squares] = [0, 0, 0, 0, 0];
  let [lr, lg, lb] = [0, 0, 0];
  for (let row = y; row < y + height; row += 1) {
    for (let i = row * frame.width + x; i < row * frame.width + x + width; i += 1) {
      r += frame.r[i];
      g += frame.g[i];
      b += frame.b[i];
      l += luma[i];
      squares += luma[i] * luma[i];
      if (lights) {
        lr += lights[frame.r[i]];
        lg += lights[frame.g[i]];
        lb += lights[frame.b[i]];
      }
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
    ...(lights ? { light: [lr / pixels, lg / pixels, lb / pixels] as const } : {}),
  };
};

/** What stands within a third of a stop under clip, or over it. */
export type NearClip = {
  /** Pixels of which a channel is near, less those that clip. */
  readonly share: number;
  /** Where most of them lie. */
  readonly region?: Rect;
  /** The channel that is near, or clips, in most of the picture. */
  readonly first?: 'r' | 'g' | 'b';
};

/** From what stands at or over a level under clip, and what clips. */
export const nearOf = (near: Clipping, clipping: Clipping): NearClip => {
  const most = Math.max(near.r, near.g, near.b);
  return {
    share: Math.max(0, near.all + near.some - clipping.all - clipping.some),
    region: near.channelRegions[0]?.rect,
    first: most > 0 ? (['r', 'g', 'b'] as const).find((channel) => near[channel] === most) : undefined,
  };
};

/** The same from a frame. */
export const measureNearClip = (
  frame: Frame,
  luma: Uint16Array,
  nearCode: number,
  clipped: MarkCells,
): NearClip => {
  const cells = emptyCells(frame.width, frame.height);
  markCells(frame, luma, nearCode, 0, cells);
  return nearOf(measureClipping(cells), measureClipping(clipped));
};
