import { decode } from 'jpeg-js';
import { failure, success, type Result } from '../result.ts';
import { MAX_PIXELS, rangeFor, type OpenedFrame, type ReadingOptions } from './opened.ts';
import { frameOfSamples } from './samples.ts';
import { cannotComeFrom, tooManyPixels } from './refusalWords.ts';

export const looksLikeJpeg = (bytes: Uint8Array): boolean =>
  bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;

const MARKER = 0xff;
/** Start-of-frame markers (ITU-T T.81 table B.1): all of C0..CF but C4, C8 and CC. */
const startsFrame = (code: number) =>
  code >= 0xc0 && code <= 0xcf && code !== 0xc4 && code !== 0xc8 && code !== 0xcc;

/** Size as the frame header has it (T.81 clause B.2.2), found without decoding. */
const sizeOf = (bytes: Uint8Array): { readonly width: number; readonly height: number } | undefined => {
  let at = 2;
  while (at + 9 < bytes.length) {
    if (bytes[at] !== MARKER) return undefined;
    const code = bytes[at + 1];
    const length = (bytes[at + 2] << 8) | bytes[at + 3];
    if (startsFrame(code))
      return {
        height: (bytes[at + 5] << 8) | bytes[at + 6],
        width: (bytes[at + 7] << 8) | bytes[at + 8],
      };
    at += 2 + length;
  }
  return undefined;
};

/** A block of 8 x 8 takes a bit at least: the code of its mean (ISO/IEC 10918-1, annex F). */
const MOST_PIXELS_A_BYTE = 8 * 64;

/**
 * Opens a JPEG as 8-bit full-range codes (JFIF: all 256 of them). It is taken for a display picture unless told
 * otherwise, and its codes are not those of a recording: they went through a lossy coder.
 */
export const openJpeg = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  const size = sizeOf(bytes);
  if (!size || size.width === 0 || size.height === 0)
    return failure('byte 2', 'The JPEG has no frame header: copy the file again.');
  if (size.width * size.height > MAX_PIXELS) return failure('frame header', tooManyPixels(size, MAX_PIXELS));
  if (size.width * size.height > bytes.length * MOST_PIXELS_A_BYTE)
    return failure('frame header', cannotComeFrom(size, bytes.length, 'JPEG'));
  try {
    const { width, height, data } = decode(bytes, {
      useTArray: true,
      formatAsRGBA: false,
      tolerantDecoding: false,
      maxResolutionInMP: MAX_PIXELS / 1e6,
      maxMemoryUsageInMB: 2000,
    });
    const range = rangeFor(options, 'full');
    const opened = frameOfSamples({ width, height, channels: 3, data }, { ...options, range }, 'JPEG');
    return success({
      ...opened,
      evidence: '8-bit, from a lossy file',
      tags: { range: 'full' },
      referred: options.referred ?? 'display',
      exactness: {
        exact: false,
        why: 'JPEG is lossy and 8-bit: levels are near, noise and banding are not the camera’s',
      },
    });
  } catch (error) {
    const detail = (error instanceof Error ? error.message : String(error)).slice(0, 80);
    return failure('picture data', `The JPEG is damaged or cut short (${detail}): copy it again.`);
  }
};
