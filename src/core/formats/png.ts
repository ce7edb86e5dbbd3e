import { encode } from 'fast-png';
import { SAMPLE_READINGS } from '../frame/codes.ts';
import type { Frame } from '../frame/frame.ts';
import { failure, success, type Result } from '../result.ts';
import { MAX_BYTES, MAX_PIXELS, type OpenedFrame, type ReadingOptions } from './opened.ts';
import { pngSamples, type PngLayout } from './pngPixels.ts';
import { frameOfSamples } from './samples.ts';

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

/** Samples a pixel of each colour type; a palette, 3, is not read. */
const CHANNELS: Readonly<Record<number, number>> = { 0: 1, 2: 3, 4: 2, 6: 4 };

type PngPicture = PngLayout & { readonly parts: readonly Uint8Array[] };

const word = (bytes: Uint8Array, at: number) => new DataView(bytes.buffer, bytes.byteOffset).getUint32(at);
const chunkName = (bytes: Uint8Array, at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));

/** Whether a file begins with plain text. */
export const looksLikeText = (bytes: Uint8Array): boolean =>
  bytes.length > 0 &&
  bytes
    .subarray(0, 64)
    .every((byte) => byte === 9 || byte === 10 || byte === 13 || (byte >= 32 && byte < 127));

export const looksLikePng = (bytes: Uint8Array): boolean => SIGNATURE.every((byte, i) => bytes[i] === byte);

const notPng = (bytes: Uint8Array): Result<never> =>
  failure(
    'byte 0',
    looksLikeText(bytes)
      ? 'This is a text file with another name, not a PNG: open the picture itself.'
      : 'The PNG signature is missing: save the frame as an 8- or 16-bit PNG and open that.',
  );

/**
 * Chunks must follow each other to IEND (ISO/IEC 15948 clause 5.3); the byte where they stop is the cut. Of
 * others than those of the picture nothing is unpacked.
 */
const pictureParts = (
  bytes: Uint8Array,
): { readonly cut?: number; readonly parts: readonly Uint8Array[] } => {
  const parts: Uint8Array[] = [];
  let at = 8;
  while (at + 12 <= bytes.length) {
    const length = word(bytes, at);
    const name = chunkName(bytes, at + 4);
    if (name === 'IEND') return { parts };
    if (name === 'IDAT' && length > 0) parts.push(bytes.subarray(at + 8, at + 8 + length));
    at += 12 + length;
  }
  return { cut: bytes.length, parts };
};

const readHeader = (bytes: Uint8Array): Result<PngPicture> => {
  if (bytes.length === 0) return failure('byte 0', 'The file is empty: export the frame again.');
  if (!looksLikePng(bytes)) return notPng(bytes);
  if (bytes.length < 33 || chunkName(bytes, 12) !== 'IHDR') {
    return failure(`byte ${bytes.length}`, 'The PNG ends inside its header: copy the file again.');
  }
  const [width, height, depth, colourType] = [word(bytes, 16), word(bytes, 20), bytes[24], bytes[25]];
  if (width === 0 || height === 0)
    return failure('byte 16', `The picture is ${width} x ${height} pixels: nothing to judge.`);
  if (width * height > MAX_PIXELS) {
    return failure(
      'byte 16',
      `The picture is ${width} x ${height}; up to ${MAX_PIXELS / 1e6} million pixels are read: scale it down.`,
    );
  }
  if (colourType === 3) {
    return failure(
      'byte 25',
      'This PNG uses a palette, so the camera’s codes are gone: export it as 8- or 16-bit RGB.',
    );
  }
  if (depth !== 8 && depth !== 16)
    return failure('byte 24', `${depth}-bit samples; only 8 or 16 bit hold a camera’s codes.`);
  if (!(colourType in CHANNELS))
    return failure('byte 25', `The PNG is of colour type ${colourType}: export it as 8- or 16-bit RGB.`);
  if (bytes[26] !== 0 || bytes[27] !== 0 || bytes[28] > 1)
    return failure('byte 26', 'The PNG is packed in a way that is not known: export it again.');
  const { cut, parts } = pictureParts(bytes);
  if (cut !== undefined) return failure(`byte ${cut}`, 'The PNG is cut short: copy it from the card again.');
  if (parts.length === 0) return failure('byte 33', 'The PNG holds no picture: export the frame again.');
  return success({
    width,
    height,
    depth,
    channels: CHANNELS[colourType],
    interlaced: bytes[28] === 1,
    parts,
  });
};

/**
 * Opens an 8- or 16-bit PNG (grey or RGB, alpha ignored) as code values; 10-bit codes inside 16-bit samples are
 * recognised. Refuses, naming the byte: not a PNG, empty, zero size, over 64 million pixels, palette, cut short,
 * damaged. Size is checked before anything is unpacked.
 */
export const openPng = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  if (bytes.length > MAX_BYTES)
    return failure('file', `The file is ${Math.round(bytes.length / 1e6)} MB; up to 600 MB are read.`);
  const header = readHeader(bytes);
  if (!header.ok) return header;
  const { width, height, channels, parts } = header.value;
  let data;
  try {
    data = pngSamples(parts, header.value);
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return failure(
      'picture data',
      `The PNG is damaged (${detail.slice(0, 80)}): copy it from the card again.`,
    );
  }
  return success(frameOfSamples({ width, height, channels, data }, options, 'PNG'));
};

/** A frame as a PNG: 8-bit codes as 8-bit samples, 10-bit ones spread over 16 bits, so that any viewer shows them. */
export const writePng = (frame: Frame): Uint8Array => {
  const pixels = frame.width * frame.height;
  const eight = frame.bitDepth === 8;
  const data = eight ? new Uint8Array(pixels * 3) : new Uint16Array(pixels * 3);
  const toSample = eight
    ? (c: number) => c
    : frame.bitDepth === 10
      ? SAMPLE_READINGS.repeated10.toSample
      : SAMPLE_READINGS.full16.toSample;
  [frame.r, frame.g, frame.b].forEach((plane, channel) => {
    for (let i = 0; i < pixels; i += 1) data[3 * i + channel] = toSample(plane[i]);
  });
  return encode({ width: frame.width, height: frame.height, data, depth: eight ? 8 : 16, channels: 3 });
};

/** RGBA bytes as a PNG without alpha, for thumbnails. */
export const writeRgbaPng = (width: number, height: number, rgba: Uint8ClampedArray): Uint8Array => {
  const data = new Uint8Array(width * height * 3);
  for (let i = 0, at = 0; at < data.length; i += 4, at += 3) {
    data[at] = rgba[i];
    data[at + 1] = rgba[i + 1];
    data[at + 2] = rgba[i + 2];
  }
  return encode({ width, height, data, depth: 8, channels: 3 });
};
