import type { Planes, YcbcrSource } from './frame.ts';
import { CHROMA_THINNING } from '../signal/chroma.ts';
import { LUMA, type LumaId } from '../signal/luma.ts';
import { codeRange, maxCode, type Coding } from '../signal/scale.ts';

/** Bits of the fixed-point factors below. */
export const CHROMA_SHIFT = 14;
const UNIT = 1 << CHROMA_SHIFT;

/** Chroma without colour: 2^(n-1) (BT.709-6 clause 5.6). */
export const chromaMiddle = (bitDepth: number): number => 2 ** (bitDepth - 1);

/**
 * Codes of colour difference a code of R'G'B' is worth at full swing: chroma spans 224 codes at 8 bit where
 * luma spans 219 (BT.709-6 clause 5.6); in full range both span all codes.
 */
const chromaSpan = ({ bitDepth, range }: Coding): number => {
  const { black, white } = codeRange({ bitDepth, range });
  return range === 'legal' ? (224 * 2 ** (bitDepth - 8)) / (white - black) : 1;
};

/** Whole-number factors from colour differences to R'G'B', times 2^14. */
export type RgbFactors = {
  /** Cr into red. */ readonly rr: number;
  /** Cb and Cr into green. */ readonly gb: number;
  readonly gr: number;
  /** Cb into blue. */ readonly bb: number;
};

/** BT.709-6 clause 3.3 (BT.2020-2 table 4, BT.601-7 clause 2.5.2) solved for R'G'B'. */
export const rgbFactors = (matrix: LumaId, coding: Coding): RgbFactors => {
  const { kr, kg, kb } = LUMA[matrix];
  const span = chromaSpan(coding);
  const red = (2 - 2 * kr) / span;
  const blue = (2 - 2 * kb) / span;
  const whole = (v: number) => Math.round(v * UNIT);
  return { rr: whole(red), gb: -whole((kb * blue) / kg), gr: -whole((kr * red) / kg), bb: whole(blue) };
};

/** Whole-number factors from R'G'B' to one colour difference, times 2^14; they sum to 0, so that grey has no colour. */
export type ChromaFactors = readonly [r: number, g: number, b: number];

/** BT.709-6 clause 3.3 (BT.2020-2 table 4, BT.601-7 clause 2.5.2). */
export const chromaFactors = (
  matrix: LumaId,
  coding: Coding,
): { readonly cb: ChromaFactors; readonly cr: ChromaFactors } => {
  const { kr, kb } = LUMA[matrix];
  const half = (chromaSpan(coding) / 2) * UNIT;
  const cbR = -Math.round((half * kr) / (1 - kb));
  const crB = -Math.round((half * kb) / (1 - kr));
  const full = Math.round(half);
  return { cb: [cbR, -cbR - full, full], cr: [full, -crB - full, crB] };
};

/** Colour differences of R'G'B' in codes, in floating point, neither rounded nor held. */
export const chromaOf = (
  rgb: readonly [number, number, number],
  matrix: LumaId,
  coding: Coding,
): readonly [cb: number, cr: number] => {
  const { kr, kg, kb } = LUMA[matrix];
  const span = chromaSpan(coding);
  const luma = kr * rgb[0] + kg * rgb[1] + kb * rgb[2];
  const middle = chromaMiddle(coding.bitDepth);
  return [middle + (span * (rgb[2] - luma)) / (2 - 2 * kb), middle + (span * (rgb[0] - luma)) / (2 - 2 * kr)];
};

/** How far the samples of a layout lie apart, as powers of two. */
export const chromaShifts = (chroma: YcbcrSource['chroma']): readonly [across: number, down: number] => {
  const [across, down] = CHROMA_THINNING[chroma];
  return [Math.log2(across), Math.log2(down)];
};

/**
 * Y'CbCr to R'G'B' codes of the same depth and range, each colour sample standing for all it covers, in whole numbers;
 * held to the codes of the depth. The plain form of the kernel.
 */
export const ycbcrToRgb = (source: YcbcrSource, width: number, coding: Coding, out: Planes): void => {
  const { y, cb, cr } = source;
  const { rr, gb, gr, bb } = rgbFactors(source.matrix, coding);
  const [across, down] = chromaShifts(source.chroma);
  const columns = (width + (1 << across) - 1) >> across;
  const middle = chromaMiddle(coding.bitDepth);
  const top = maxCode(coding.bitDepth);
  const round = UNIT / 2;
  const { r, g, b } = out;
  const height = y.length / width;
  for (let row = 0, i = 0; row < height; row += 1) {
    const from = (row >> down) * columns;
    for (let x = 0; x < width; x += 1, i += 1) {
      const at = from + (x >> across);
      const u = cb[at] - middle;
      const v = cr[at] - middle;
      const luma = y[i];
      const red = luma + ((rr * v + round) >> CHROMA_SHIFT);
      const green = luma + ((gb * u + gr * v + round) >> CHROMA_SHIFT);
      const blue = luma + ((bb * u + round) >> CHROMA_SHIFT);
      r[i] = red < 0 ? 0 : red > top ? top : red;
      g[i] = green < 0 ? 0 : green > top ? top : green;
      b[i] = blue < 0 ? 0 : blue > top ? top : blue;
    }
  }
};
