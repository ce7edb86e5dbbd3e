import type { Frame } from '../frame/frame.ts';
import { shrink } from './shrink.ts';

/** Pixels kept for each of the small picture's, either way: more change nothing that is seen. */
const KEPT = 4;

/** A frame's codes as they are as a small picture: RGBA bytes, the upper eight bits of each code. */
export const asRecorded = (
  frame: Frame,
  width: number,
): { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray<ArrayBuffer> } => {
  const shift = frame.bitDepth - 8;
  const every = Math.max(1, Math.floor(frame.width / (KEPT * width)));
  const [wide, high] = [Math.ceil(frame.width / every), Math.ceil(frame.height / every)];
  const rgba = new Uint8ClampedArray(wide * high * 4);
  for (let y = 0, at = 0; y < frame.height; y += every)
    for (let x = 0, i = y * frame.width; x < frame.width; x += every, i += every, at += 4) {
      rgba[at] = frame.r[i] >> shift;
      rgba[at + 1] = frame.g[i] >> shift;
      rgba[at + 2] = frame.b[i] >> shift;
      rgba[at + 3] = 255;
    }
  const small = shrink(rgba, wide, high, width);
  return { ...small, rgba: small.rgba as Uint8ClampedArray<ArrayBuffer> };
};
