import { SKIN_UV } from '../signal/skinLine.ts';
import type { LumaId } from '../signal/luma.ts';
import { chromaMiddle, chromaOf } from '../frame/ycbcr.ts';
import { codeRange, type Coding } from '../signal/scale.ts';
import type { Vectorscope } from './vectorscope.ts';

/** Half of the chroma swing in codes: a fully saturated blue at 100 % lies this far from the middle on Cb. */
const halfSwing = ({ bitDepth, range }: Coding) =>
  range === 'legal' ? 112 * 2 ** (bitDepth - 8) : 2 ** (bitDepth - 1) - 0.5;

/** A place on the scope: +-1 is half of the chroma swing; x is Cb to the right, y is Cr upwards. */
export type ScopePlace = { readonly x: number; readonly y: number };

/** Bars whose colours stand as targets, by what of R'G'B' is on. */
const BARS = { R: [1, 0, 0], Y: [1, 1, 0], G: [0, 1, 0], C: [0, 1, 1], B: [0, 0, 1], M: [1, 0, 1] } as const;
export type BarId = keyof typeof BARS;
export const BAR_IDS = Object.keys(BARS) as BarId[];

/** Where a bar of `level` (0.75 or 1) lands, computed from the matrix. */
export const barPlace = (bar: BarId, level: number, matrix: LumaId, coding: Coding): ScopePlace => {
  const { black, white } = codeRange(coding);
  const [r, g, b] = BARS[bar].map((on) => black + (white - black) * level * on);
  const [cb, cr] = chromaOf([r, g, b], matrix, coding);
  const middle = chromaMiddle(coding.bitDepth);
  const half = halfSwing(coding);
  return { x: (cb - middle) / half, y: (cr - middle) / half };
};

/** Angle of a place, degrees against the clock from Cb. */
export const placeAngle = ({ x, y }: ScopePlace): number => ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360;

/** U and V of the composite systems stand to Cb and Cr as 0.493 (B-Y) and 0.877 (R-Y) to 0.564 and 0.713. */
const U_SCALE = 0.493 / 0.564;
const V_SCALE = 0.877 / 0.713;
/** The skin axis where Cb and Cr are drawn to one scale, degrees: about 132.5. */
export const SKIN_ANGLE = placeAngle({
  x: Math.cos((SKIN_UV * Math.PI) / 180) / U_SCALE,
  y: Math.sin((SKIN_UV * Math.PI) / 180) / V_SCALE,
});

export type VectorscopePictureOptions = {
  readonly coding: Coding;
  /** Side of the picture, pixels. */
  readonly size: number;
  /** Share of the chroma swing from the middle to the edge: 1 all of it, 0.25 four times as large. */
  readonly reach: number;
  readonly brightness?: number;
};

/**
 * Counts drawn as light on a square, Cb to the right, Cr upwards, each bin in the hue it stands for; opacity
 * by the cube root of its count. @returns RGBA bytes, size x size.
 */
export const vectorscopePicture = (
  { bins, counts }: Vectorscope,
  { coding, size, reach, brightness = 1 }: VectorscopePictureOptions,
): Uint8ClampedArray => {
  const rgba = new Uint8ClampedArray(size * size * 4);
  const perBin = 2 ** coding.bitDepth / bins;
  const middle = chromaMiddle(coding.bitDepth);
  const half = halfSwing(coding) * reach;
  // Codes of a bin's edges to pixels: bins grow with zoom and must leave no gaps.
  const edge = (bin: number) => ((bin * perBin - middle) / half / 2 + 0.5) * size;
  const most = counts.reduce((top, n) => (n > top ? n : top), 1);
  const strength = (n: number) => 255 * Math.min(1, brightness * (0.35 + 1.3 * Math.cbrt(n / most)));
  for (let v = 0; v < bins; v += 1) {
    const [bottom, top] = [Math.floor(size - edge(v)), Math.floor(size - edge(v + 1))];
    if (bottom < 0 || top >= size) continue;
    for (let u = 0; u < bins; u += 1) {
      const n = counts[v * bins + u];
      if (n === 0) continue;
      const [left, right] = [Math.floor(edge(u)), Math.floor(edge(u + 1))];
      const place = { x: (u + 0.5 - bins / 2) / (bins / 2), y: (v + 0.5 - bins / 2) / (bins / 2) };
      const alpha = strength(n);
      const tint = 150 / Math.max(0.08, Math.hypot(place.x, place.y));
      for (let y = Math.max(0, top + (bottom > top ? 1 : 0)); y <= Math.min(size - 1, bottom); y += 1)
        for (let x = Math.max(0, left); x <= Math.min(size - 1, Math.max(left, right - 1)); x += 1) {
          const at = 4 * (y * size + x);
          if (rgba[at + 3] >= alpha) continue;
          // The bin's own colour at even lightness: Y' 0.66 with its colour differences, by BT.709.
          rgba[at] = 168 + 1.5748 * 0.5 * tint * place.y;
          rgba[at + 1] = 168 - (0.1873 * place.x + 0.4681 * place.y) * 0.5 * tint;
          rgba[at + 2] = 168 + 1.8556 * 0.5 * tint * place.x;
          rgba[at + 3] = alpha;
        }
    }
  }
  return rgba;
};
