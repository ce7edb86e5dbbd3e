import { Unzlib } from 'fflate';

/** How the samples of a PNG lie in its data (ISO/IEC 15948, IHDR). */
export type PngLayout = {
  readonly width: number;
  readonly height: number;
  /** 8 or 16. */
  readonly depth: number;
  /** 1 grey, 2 grey with alpha, 3 RGB, 4 RGB with alpha. */
  readonly channels: number;
  /** Its rows come in seven passes (Adam7). */
  readonly interlaced: boolean;
};

/** What is unpacked is fed so much at a time, so that what comes of it can be counted. */
const SLICE = 1 << 16;
/** Deflate makes 258 bytes of 2 bits at best (RFC 1951). */
const MOST_FROM_A_BYTE = 1032;
const ADLER = 65_521;
/** So many bytes before the sums of Adler-32 outgrow 32 bits (RFC 1950, clause 9). */
const ADLER_RUN = 5552;

const adler32 = (bytes: Uint8Array): number => {
  let [a, b] = [1, 0];
  for (let i = 0; i < bytes.length;) {
    const end = Math.min(i + ADLER_RUN, bytes.length);
    for (; i < end; i += 1) {
      a += bytes[i];
      b += a;
    }
    a %= ADLER;
    b %= ADLER;
  }
  return ((b << 16) | a) >>> 0;
};

/** The last four bytes of the parts together, as a number. */
const trailer = (parts: readonly Uint8Array[]): number => {
  const last = parts.slice(-4).flatMap((part) => [...part.subarray(-4)]);
  return last.slice(-4).reduce((word, byte) => ((word << 8) | byte) >>> 0, 0);
};

/** @throws RangeError as soon as more comes out than there is room for, where too little did, or another sum. */
const inflated = (parts: readonly Uint8Array[], size: number): Uint8Array => {
  const packed = parts.reduce((sum, part) => sum + part.length, 0);
  if (size > packed * MOST_FROM_A_BYTE)
    throw new RangeError(`its ${packed} bytes cannot hold so large a picture`);
  const out = new Uint8Array(size);
  let at = 0;
  const stream = new Unzlib((chunk) => {
    if (at + chunk.length > size) throw new RangeError('its data hold more than its header says');
    out.set(chunk, at);
    at += chunk.length;
  });
  for (const [i, part] of parts.entries())
    for (let from = 0; from < part.length; from += SLICE)
      stream.push(part.subarray(from, from + SLICE), i === parts.length - 1 && from + SLICE >= part.length);
  if (at < size) throw new RangeError(`its data hold ${at} of ${size} bytes`);
  if (adler32(out) !== trailer(parts)) throw new RangeError('its checksum is another');
  return out;
};

const paeth = (a: number, b: number, c: number): number => {
  const p = a + b - c;
  const [pa, pb, pc] = [Math.abs(p - a), Math.abs(p - b), Math.abs(p - c)];
  return pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
};

type Unfilter = (row: Uint8Array, above: Uint8Array | undefined, step: number) => void;

/** Filters of a row, in place (ISO/IEC 15948 clause 9.2): none, sub, up, average, Paeth. */
const UNFILTER: readonly Unfilter[] = [
  () => undefined,
  (row, _above, step) => {
    for (let i = step; i < row.length; i += 1) row[i] += row[i - step];
  },
  (row, above) => {
    if (above) for (let i = 0; i < row.length; i += 1) row[i] += above[i];
  },
  (row, above, step) => {
    for (let i = 0; i < row.length; i += 1)
      row[i] += ((i >= step ? row[i - step] : 0) + (above ? above[i] : 0)) >> 1;
  },
  (row, above, step) => {
    for (let i = 0; i < row.length; i += 1) {
      const left = i >= step ? row[i - step] : 0;
      const up = above ? above[i] : 0;
      row[i] += paeth(left, up, above && i >= step ? above[i - step] : 0);
    }
  },
];

/** Where the rows of a pass begin and how far they step: columns, rows (ISO/IEC 15948 clause 8.2, Adam7). */
type Pass = readonly [x: number, y: number, dx: number, dy: number];
const PLAIN: readonly Pass[] = [[0, 0, 1, 1]];
const ADAM7: readonly Pass[] = [
  [0, 0, 8, 8],
  [4, 0, 8, 8],
  [0, 4, 4, 8],
  [2, 0, 4, 4],
  [0, 2, 2, 4],
  [1, 0, 2, 2],
  [0, 1, 1, 2],
];

/** Samples of a row to their pixels, `dx` apart. */
const putRow = (
  samples: Uint8Array | Uint16Array,
  row: Uint8Array,
  { channels, depth }: PngLayout,
  to: number,
  dx: number,
): void => {
  if (depth === 8 && dx === 1) {
    samples.set(row, to);
    return;
  }
  const count = row.length / (depth / 8);
  for (let i = 0, at = to; i < count; at += channels * dx)
    for (let c = 0; c < channels; c += 1, i += 1)
      samples[at + c] = depth === 8 ? row[i] : (row[2 * i] << 8) | row[2 * i + 1];
};

/**
 * Samples of a PNG. Memory: its samples once, and once more what is unpacked.
 * @param parts the data of its IDAT chunks, in order
 * @throws RangeError where the data hold more or less than the header says, or a filter that is none
 */
export const pngSamples = (parts: readonly Uint8Array[], layout: PngLayout): Uint8Array | Uint16Array => {
  const { width, height, depth, channels, interlaced } = layout;
  const step = (channels * depth) / 8;
  const passes = (interlaced ? ADAM7 : PLAIN)
    .map((pass) => {
      const [x, y, dx, dy] = pass;
      return { pass, rows: Math.ceil((height - y) / dy), length: Math.ceil((width - x) / dx) * step };
    })
    .filter(({ rows, length }) => rows > 0 && length > 0);
  const raw = inflated(
    parts,
    passes.reduce((sum, { rows, length }) => sum + rows * (length + 1), 0),
  );
  const samples = new (depth === 8 ? Uint8Array : Uint16Array)(width * height * channels);
  let at = 0;
  for (const { pass, rows, length } of passes) {
    const [x, y, dx, dy] = pass;
    let above: Uint8Array | undefined;
    for (let n = 0; n < rows; n += 1, at += length + 1) {
      const row = raw.subarray(at + 1, at + 1 + length);
      const unfilter = UNFILTER[raw[at]];
      if (!unfilter) throw new RangeError(`a row has the unknown filter ${raw[at]}`);
      unfilter(row, above, step);
      putRow(samples, row, layout, ((y + n * dy) * width + x) * channels, dx);
      above = row;
    }
  }
  return samples;
};
