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

/**
 * Counts of a plane of code values, `columns` of them side by side (at most the plane's width).
 * Done in tiles of 64 pixel columns over all rows, so that the counts in use stay in the cache.
 * @throws RangeError when columns is out of range or a column could overflow 16 bits.
 */
export const waveform = (plane: Uint16Array, width: number, bitDepth: number, columns: number): Waveform => {
  if (!(columns >= 1 && columns <= width))
    throw new RangeError(`waveform: columns 1..${width}, got ${columns}`);
  const height = plane.length / width;
  if (Math.ceil(width / columns) * height > 65535)
    throw new RangeError('waveform: too many rows for so few columns');
  const { levels, shift } = waveformLevels(bitDepth);
  const stride = levels + 32;
  const counts = new Uint16Array(columns * stride);
  const start = Uint32Array.from({ length: width }, (_, x) => Math.floor((x * columns) / width) * stride);
  for (let x0 = 0; x0 < width; x0 += TILE) {
    const x1 = Math.min(width, x0 + TILE);
    for (let y = 0; y < height; y += 1) {
      const row = y * width;
      for (let x = x0; x < x1; x += 1) counts[start[x] + (plane[row + x] >> shift)] += 1;
    }
  }
  return { columns, levels, stride, counts };
};

/** The plane's histogram over the waveform's levels, summed from its columns. */
export const histogramOf = ({ columns, levels, stride, counts }: Waveform): Uint32Array => {
  const sum = new Uint32Array(levels);
  for (let column = 0; column < columns; column += 1) {
    const base = column * stride;
    for (let level = 0; level < levels; level += 1) sum[level] += counts[base + level];
  }
  return sum;
};
