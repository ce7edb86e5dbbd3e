import type { Frame, YcbcrSource } from '../frame/frame.ts';
import type { LumaId } from '../signal/luma.ts';
import { CHROMA_SHIFT, chromaFactors, chromaMiddle } from '../frame/ycbcr.ts';
import type { Coding } from '../signal/scale.ts';

/** How often each pair of colour differences occurs: counts[cr * bins + cb]. */
export type Vectorscope = { readonly bins: number; readonly counts: Uint32Array };

const MAX_BITS = 9;

/** Bins of a bit depth, as a power of two, and the shift from code to bin. */
export const vectorscopeBits = (bitDepth: number): { readonly bits: number; readonly shift: number } => {
  const bits = Math.min(MAX_BITS, bitDepth);
  return { bits, shift: bitDepth - bits };
};

/** The whole numbers a vectorscope of R'G'B' is computed with. */
export const vectorscopeFactors = (matrix: LumaId, coding: Coding) => {
  const { bits, shift } = vectorscopeBits(coding.bitDepth);
  return {
    ...chromaFactors(matrix, coding),
    bits,
    shift: CHROMA_SHIFT + shift,
    offset: (chromaMiddle(coding.bitDepth) << CHROMA_SHIFT) + (1 << (CHROMA_SHIFT - 1)),
  };
};

const clamp = (v: number, top: number) => (v < 0 ? 0 : v > top ? top : v);

/**
 * Counts over R'G'B', colour differences by the matrix; out of range is held at the edge. The plain form of
 * the kernel.
 */
export const vectorscope = ({ r, g, b, ...coding }: Frame, matrix: LumaId, counts: Uint32Array): void => {
  const { cb, cr, bits, shift, offset } = vectorscopeFactors(matrix, coding);
  const { imul } = Math;
  // Known to be whole numbers before the loop, not asked at each pixel.
  const [br, bb, rr, rb] = [cb[0] | 0, cb[2] | 0, cr[0] | 0, cr[2] | 0];
  const top = (1 << bits) - 1;
  const n = r.length;
  for (let i = 0; i < n; i += 1) {
    // The factors sum to 0: two differences from green are enough.
    const green = g[i];
    const red = r[i] - green;
    const blue = b[i] - green;
    const u = (imul(br, red) + imul(bb, blue) + offset) >> shift;
    const v = (imul(rr, red) + imul(rb, blue) + offset) >> shift;
    const at = (clamp(v, top) << bits) | clamp(u, top);
    counts[at] = counts[at] + 1;
  }
};

/** Counts over the colour samples a picture was recorded with. The plain form of the kernel. */
export const vectorscopeOfPlanes = (
  { cb, cr }: Pick<YcbcrSource, 'cb' | 'cr'>,
  bitDepth: number,
  counts: Uint32Array,
): void => {
  const { bits, shift } = vectorscopeBits(bitDepth);
  const n = cb.length;
  for (let i = 0; i < n; i += 1) counts[((cr[i] >> shift) << bits) + (cb[i] >> shift)] += 1;
};
