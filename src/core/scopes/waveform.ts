/** How often each level stands in each column of the picture. */
export type Waveform = {
  readonly columns: number;
  /** Number of levels: 2^bitDepth, at most 1024. */
  readonly levels: number;
  /** Distance between columns in `counts`; not a power of two, so that columns do not share cache lines. */
  readonly stride: number;
  /** counts[column * stride + level]. */
  readonly counts: Uint16Array;
};

const TILE = 64;
const MAX_LEVELS = 1024;

/** Levels a waveform keeps for a bit depth, and the shift from code to level. */
export const waveformLevels = (bitDepth: number): { readonly levels: number; readonly shift: number } => {
  const levels = Math.min(MAX_LEVELS, 2 ** bitDepth);
  return { levels, shift: bitDepth - Math.log2(levels) };
};

/** Shape of the counts for a plane, and where each pixel column counts. */
export type WaveformLayout = Omit<Waveform, 'counts'> & {
  readonly shift: number;
  /** First count of the column that pixel column x belongs to. */
  readonly start: Uint32Array;
};

/** @throws RangeError when columns is out of range or a column could overflow 16 bits. */
export const waveformLayout = (
  width: number,
  height: number,
  bitDepth: number,
  columns: number,
): WaveformLayout => {
  if (!(columns >= 1 && columns <= width))
    throw new RangeError(`waveform: columns 1..${width}, got ${columns}`);
  if (Math.ceil(width / columns) * height > 65535)
    throw new RangeError('waveform: too many rows for so few columns');
  const { levels, shift } = waveformLevels(bitDepth);
  const stride = levels + 32;
  const start = Uint32Array.from({ length: width }, (_, x) => Math.floor((x * columns) / width) * stride);
  return { columns, levels, stride, shift, start };
};

/**
 * Counts of a plane of code values, added to `counts`; tiles of 64 pixel columns keep them in the cache, two
 * rows share a column’s start. The plain form.
 */
export const countWaveform = (
  plane: Uint16Array,
  width: number,
  { shift, start }: WaveformLayout,
  counts: Uint16Array,
): void => {
  const height = plane.length / width;
  for (let x0 = 0; x0 < width; x0 += TILE) {
    const x1 = Math.min(width, x0 + TILE);
    for (let y = 0; y + 1 < height; y += 2) {
      const row = y * width;
      for (let x = x0; x < x1; x += 1) {
        const column = start[x];
        counts[column + (plane[row + x] >> shift)] += 1;
        counts[column + (plane[row + width + x] >> shift)] += 1;
      }
    }
    if (height % 2 === 0) continue;
    const last = (height - 1) * width;
    for (let x = x0; x < x1; x += 1) counts[start[x] + (plane[last + x] >> shift)] += 1;
  }
};

/** Counts of a plane, `columns` of them side by side (at most the plane's width). */
export const waveform = (plane: Uint16Array, width: number, bitDepth: number, columns: number): Waveform => {
  const layout = waveformLayout(width, plane.length / width, bitDepth, columns);
  const counts = new Uint16Array(columns * layout.stride);
  countWaveform(plane, width, layout, counts);
  return { columns, levels: layout.levels, stride: layout.stride, counts };
};

/**
 * The plane's histogram over the waveform's levels, summed from its columns; eight counts are looked at
 * together, since most are zero. The plain form of the kernel.
 */
export const histogramOf = ({ columns, levels, stride, counts }: Waveform): Uint32Array => {
  const sum = new Uint32Array(levels);
  const pairs = new Uint32Array(counts.buffer, counts.byteOffset, counts.length >> 1);
  const half = levels >> 1;
  for (let column = 0; column < columns; column += 1) {
    const base = (column * stride) >> 1;
    for (let i = 0; i < half; i += 4) {
      const at = base + i;
      if ((pairs[at] | pairs[at + 1] | pairs[at + 2] | pairs[at + 3]) === 0) continue;
      for (let k = i; k < i + 4; k += 1) {
        const pair = pairs[base + k];
        sum[2 * k] += pair & 0xffff;
        sum[2 * k + 1] += pair >>> 16;
      }
    }
  }
  return sum;
};
