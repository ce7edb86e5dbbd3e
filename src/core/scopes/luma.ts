import type { Planes } from '../frame/frame.ts';
import { fixedLumaWeights, LUMA_SHIFT, type LumaWeights } from '../signal/luma.ts';

/** Y' of every pixel in code values of the frame's bit depth, rounded. The plain form of the kernel. */
export const fillLuma = ({ r, g, b }: Planes, weights: LumaWeights, out: Uint16Array): void => {
  const fixed = fixedLumaWeights(weights);
  // Known to be whole numbers before the loop, not asked at each pixel.
  const [wr, wg, wb] = [fixed[0] | 0, fixed[1] | 0, fixed[2] | 0];
  const shift = LUMA_SHIFT;
  const half = 1 << (shift - 1);
  const n = r.length;
  for (let i = 0; i < n; i += 1) out[i] = (r[i] * wr + g[i] * wg + b[i] * wb + half) >> shift;
};

/** The same as a new plane. */
export const lumaPlane = (frame: Planes, weights: LumaWeights): Uint16Array => {
  const out = new Uint16Array(frame.r.length);
  fillLuma(frame, weights, out);
  return out;
};
