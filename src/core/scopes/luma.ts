import type { Frame } from '../frame/frame.ts';
import { fixedLumaWeights, LUMA_SHIFT, type LumaWeights } from '../signal/luma.ts';

/** Y' of every pixel in code values of the frame's bit depth, rounded. */
export const lumaPlane = ({ r, g, b }: Frame, weights: LumaWeights): Uint16Array => {
  const [wr, wg, wb] = fixedLumaWeights(weights);
  const shift = LUMA_SHIFT;
  const half = 1 << (shift - 1);
  const n = r.length;
  const out = new Uint16Array(n);
  for (let i = 0; i < n; i += 1) out[i] = (r[i] * wr + g[i] * wg + b[i] * wb + half) >> shift;
  return out;
};
