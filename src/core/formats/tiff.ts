import { decode } from 'tiff';
import { failure, success, type Result } from '../result.ts';
import { MAX_PIXELS, type OpenedFrame, type ReadingOptions } from './opened.ts';
import { frameOfSamples } from './samples.ts';

// TIFF 6.0: byte order, 42, offset of the first directory. The directory is read first, its picture only when it fits.
const PLANAR = 284;
const COMPRESSIONS: Readonly<Record<number, string>> = {
  1: 'uncompressed',
  5: 'LZW',
  8: 'deflate',
  32946: 'deflate',
};

export const looksLikeTiff = (bytes: Uint8Array): boolean =>
  (bytes[0] === 0x49 && bytes[1] === 0x49 && bytes[2] === 42 && bytes[3] === 0) ||
  (bytes[0] === 0x4d && bytes[1] === 0x4d && bytes[2] === 0 && bytes[3] === 42);

const detail = (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, 80);

/**
 * Opens an 8- or 16-bit TIFF (grey or R'G'B', alpha ignored; uncompressed, LZW or deflate) as code values: its first
 * picture. Refuses, naming the field, what it cannot read; size is checked before anything is unpacked.
 */
export const openTiff = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  const cut = (error: unknown) =>
    failure('picture data', `The TIFF is damaged or cut short (${detail(error)}): copy it again.`);
  let head;
  try {
    [head] = decode(bytes, { ignoreImageData: true, pages: [0] });
  } catch (error) {
    return cut(error);
  }
  const { width, height, bitsPerSample, samplesPerPixel, sampleFormat, type, compression } = head;
  if (!(width > 0 && height > 0))
    return failure('field 256', `The picture is ${width} x ${height} pixels: nothing to judge.`);
  if (width * height > MAX_PIXELS)
    return failure(
      'field 256',
      `The picture is ${width} x ${height}; up to ${MAX_PIXELS / 1e6} million pixels are read: scale it down.`,
    );
  if (type !== 1 && type !== 2)
    return failure('field 262', `The TIFF holds colours of kind ${type}; grey or RGB is read: export it so.`);
  if ((bitsPerSample !== 8 && bitsPerSample !== 16) || (sampleFormat ?? 1) !== 1)
    return failure(
      'field 258',
      `The TIFF holds ${bitsPerSample}-bit ${sampleFormat === 3 ? 'floating' : ''} samples; ` +
        '8 or 16 whole bits hold a camera’s codes.',
    );
  if (head.fields.get(PLANAR) === 2)
    return failure('field 284', 'The TIFF keeps its colours in separate planes: export it interleaved.');
  if (head.tiled)
    return failure(
      'field 322',
      'The TIFF is laid out in tiles: export it in strips, as cameras and editors do.',
    );
  if (!(compression in COMPRESSIONS))
    return failure(
      'field 259',
      `The TIFF is compressed in way ${compression}; uncompressed, LZW and deflate are read.`,
    );
  if (samplesPerPixel < 1 || samplesPerPixel > 4)
    return failure('field 277', `The TIFF holds ${samplesPerPixel} samples a pixel; 1 to 4 are read.`);
  try {
    const [{ data }] = decode(bytes, { pages: [0] });
    if (!(data instanceof Uint8Array || data instanceof Uint16Array)) return cut('samples of another kind');
    const samples = { width, height, channels: samplesPerPixel, data };
    return success(frameOfSamples(samples, options, `TIFF, ${COMPRESSIONS[compression]}`));
  } catch (error) {
    return cut(error);
  }
};
