import { CHROMA_THINNING, type Chroma } from '../signal/chroma.ts';
import { LUMA } from '../signal/luma.ts';
import { codeAnchors, maxCode, type Coding } from '../signal/scale.ts';
import { melted } from './smoothing.ts';

const { kr, kg, kb } = LUMA.bt709;

type Recording = {
  readonly width: number;
  readonly height: number;
  readonly coding: Coding;
  readonly chroma: Chroma;
  readonly smoothing: number;
};

/** Whether a recording goes by luma and colour differences; else R'G'B' is kept itself. */
export const goesByLuma = ({ chroma, smoothing }: Pick<Recording, 'chroma' | 'smoothing'>): boolean =>
  chroma !== '4:4:4' || smoothing > 0;

/** Y'CbCr of BT.709 from R'G'B' (BT.709-6 clauses 3.2 and 3.3): what turns differences from luma into Cb and Cr. */
export const LUMA_OF = { kr, kg, kb, toCb: 1 / (2 - 2 * kb), toCr: 1 / (2 - 2 * kr) } as const;

/** Mean of a colour difference over each thinned sample; edges keep what there is. */
const thinned = (plane: Float32Array, width: number, height: number, [u, v]: readonly [number, number]) => {
  if (u === 1 && v === 1) return plane;
  const columns = Math.ceil(width / u);
  const out = new Float32Array(columns * Math.ceil(height / v));
  const across = u - 1;
  for (let y = 0, at = 0; y < height; y += v) {
    const below = v === 2 && y + 1 < height ? width : 0;
    for (let x = 0, i = y * width; x < width; x += u, i += u, at += 1) {
      const right = x + 1 < width ? across : 0;
      out[at] = 0.25 * (plane[i] + plane[i + right] + plane[i + below] + plane[i + right + below]);
    }
  }
  return out;
};

const rgbCodes = (
  signals: readonly Float32Array[],
  coding: Coding,
  count: number,
  out: readonly Uint16Array[],
  at: number,
) => {
  // prettier-ignore
  const { black, white } = codeAnchors(coding);
  const scale = white - black;
  const top = maxCode(coding.bitDepth);
  signals.forEach((plane, c) => {
    const to = out[c];
    for (let i = 0; i < count; i += 1) {
      const code = (black + scale * plane[i] + 0.5) | 0;
      to[at + i] = code < 0 ? 0 : code > top ? top : code;
    }
  });
};

/** Colour differences quantised as the file holds them, given back in codes of R'G'B'. In place. */
const quantiseChroma = (plane: Float32Array, codes: number, perUnit: number): void => {
  const back = perUnit / codes;
  for (let i = 0; i < plane.length; i += 1) plane[i] = Math.floor(plane[i] * codes + 0.5) * back;
};

/**
 * Rows of signals as a file would hold them, written into `out` from `at` as R'G'B' codes as a player gives
 * them. Planar, 1 = 100 %: R'G'B' where nothing is thinned out, else Y'CbCr (see goesByLuma), colour averaged
 * over its samples, each quantised on its own.
 */
export const recordRows = (
  signals: readonly Float32Array[],
  recording: Recording,
  out: readonly Uint16Array[],
  at: number,
): void => {
  const { width, height, coding, chroma, smoothing } = recording;
  if (!goesByLuma(recording)) {
    rgbCodes(signals, coding, width * height, out, at);
    return;
  }
  const thin = CHROMA_THINNING[chroma];
  const columns = Math.ceil(width / thin[0]);
  let [y] = signals;
  let cb = thinned(signals[1], width, height, thin);
  let cr = thinned(signals[2], width, height, thin);
  if (smoothing > 0) {
    y = melted(y, width, smoothing);
    cb = melted(cb, columns, smoothing);
    cr = melted(cr, columns, smoothing);
  }
  const { black, white } = codeAnchors(coding);
  const scale = white - black;
  const top = maxCode(coding.bitDepth);
  // Colour differences span 224 of 219 codes in legal range (BT.709-6 clause 4.2).
  const codes = coding.range === 'legal' ? 224 * 2 ** (coding.bitDepth - 8) : scale;
  quantiseChroma(cb, codes, (2 - 2 * kb) * scale);
  quantiseChroma(cr, codes, (2 - 2 * kr) * scale);
  const [red, green, blue] = out;
  const across = thin[0] - 1;
  const down = thin[1] - 1;
  const greenOfRed = kr / kg;
  const greenOfBlue = kb / kg;
  for (let row = 0, i = 0; row < height; row += 1) {
    const line = (row >> down) * columns;
    for (let x = 0; x < width; x += 1, i += 1) {
      const j = line + (x >> across);
      let code = (black + scale * y[i] + 0.5) | 0;
      code = code < 0 ? 0 : code > top ? top : code;
      const dr = cr[j];
      const db = cb[j];
      const r = (code + dr + 0.5) | 0;
      const b = (code + db + 0.5) | 0;
      const g = (code - greenOfRed * dr - greenOfBlue * db + 0.5) | 0;
      red[at + i] = r < 0 ? 0 : r > top ? top : r;
      green[at + i] = g < 0 ? 0 : g > top ? top : g;
      blue[at + i] = b < 0 ? 0 : b > top ? top : b;
    }
  }
};
