import type { Frame } from '../frame/frame.ts';
import { shrink } from './shrink.ts';

/** A frame's codes as they are as a small picture: RGBA bytes, the upper eight bits of each code. */
export const asRecorded = (
  frame: Frame,
  width: number,
): { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray<ArrayBuffer> } => {
  const shift = frame.bitDepth - 8;
  const rgba = new Uint8ClampedArray(frame.r.length * 4);
  for (let i = 0, at = 0; i < frame.r.length; i += 1, at += 4) {
    rgba[at] = frame.r[i] >> shift;
    rgba[at + 1] = frame.g[i] >> shift;
    rgba[at + 2] = frame.b[i] >> shift;
    rgba[at + 3] = 255;
  }
  const small = shrink(rgba, frame.width, frame.height, width);
  return { ...small, rgba: small.rgba as Uint8ClampedArray<ArrayBuffer> };
};
