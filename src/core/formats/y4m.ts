import type { Frame } from '../frame/frame.ts';
import { LUMA } from '../signal/luma.ts';
import { maxCode } from '../signal/scale.ts';
import { chromaOf } from '../frame/ycbcr.ts';
import { CHROMA_THINNING, type Chroma } from '../signal/chroma.ts';

// YUV4MPEG2: a line of text, then for each frame the word FRAME and its planes; 10 bit in little-endian words.
const NAMES = {
  '4:2:0': ['420jpeg', '420p10'],
  '4:2:2': ['422', '422p10'],
  '4:4:4': ['444', '444p10'],
} as const satisfies Record<Chroma, readonly [eight: string, ten: string]>;

export type Y4mOptions = {
  readonly chroma: Chroma;
  /** Frames a second as a whole number over another. */
  readonly rate: readonly [number, number];
};

/** The line a clip begins with. The range is told by the usual extension, since the format has none of its own. */
export const y4mHeader = (
  { width, height, bitDepth, range }: Pick<Frame, 'width' | 'height' | 'bitDepth' | 'range'>,
  { chroma, rate }: Y4mOptions,
): string => {
  if (bitDepth !== 8 && bitDepth !== 10) throw new RangeError(`y4mHeader: 8 or 10 bit, got ${bitDepth}`);
  const [eight, ten] = NAMES[chroma];
  const name = bitDepth === 8 ? eight : ten;
  const size = `W${width} H${height} F${rate[0]}:${rate[1]} Ip A1:1 C${name}`;
  const colour = `XYSCSS=${name.toUpperCase()} XCOLORRANGE=${range === 'legal' ? 'LIMITED' : 'FULL'}`;
  return `YUV4MPEG2 ${size} ${colour}\n`;
};

/** Y'CbCr planes of a frame (BT.709-6 clauses 3 and 4), colour averaged over its samples, in codes. */
export const ycbcrOf = ({ width, height, r, g, b, ...coding }: Frame, chroma: Chroma): Uint16Array[] => {
  const [u, v] = CHROMA_THINNING[chroma];
  const columns = Math.ceil(width / u);
  const rows = Math.ceil(height / v);
  const { kr, kg, kb } = LUMA.bt709;
  const top = maxCode(coding.bitDepth);
  const clamp = (code: number) => Math.min(top, Math.max(0, Math.round(code)));
  const y = new Uint16Array(width * height);
  for (let i = 0; i < y.length; i += 1) y[i] = clamp(kr * r[i] + kg * g[i] + kb * b[i]);
  const cb = new Uint16Array(columns * rows);
  const cr = new Uint16Array(columns * rows);
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      let [red, green, blue, count] = [0, 0, 0, 0];
      for (let dy = 0; dy < v && row * v + dy < height; dy += 1)
        for (let dx = 0; dx < u && column * u + dx < width; dx += 1) {
          const i = (row * v + dy) * width + column * u + dx;
          red += r[i];
          green += g[i];
          blue += b[i];
          count += 1;
        }
      const at = row * columns + column;
      const [blueness, redness] = chromaOf([red / count, green / count, blue / count], 'bt709', coding);
      cb[at] = clamp(blueness);
      cr[at] = clamp(redness);
    }
  return [y, cb, cr];
};

/** One frame of a clip, with the word before it. */
export const y4mFrame = (frame: Frame, chroma: Chroma): Uint8Array => {
  const planes = ycbcrOf(frame, chroma);
  const bytes = frame.bitDepth === 8 ? 1 : 2;
  const word = new TextEncoder().encode('FRAME\n');
  const out = new Uint8Array(word.length + bytes * planes.reduce((sum, { length }) => sum + length, 0));
  out.set(word);
  let at = word.length;
  for (const plane of planes)
    for (const code of plane) {
      out[at] = code & 255;
      if (bytes === 2) out[at + 1] = code >> 8;
      at += bytes;
    }
  return out;
};
