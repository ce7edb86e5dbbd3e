import { decode, type TiffIfd } from 'tiff';
import { failure, success, type Failure, type Result } from '../result.ts';
import { MAX_PIXELS, type OpenedFrame, type ReadingOptions } from './opened.ts';
import { frameOfSamples } from './samples.ts';
import { wrongSamples } from './refusalWords.ts';

// TIFF 6.0: byte order, 42, offset of the first directory. The directory is read first, its picture only when it fits.
const PLANAR = 284;
const COMPRESSIONS: Readonly<Record<number, string>> = {
  1: 'uncompressed',
  5: 'LZW',
  8: 'deflate',
  32946: 'deflate',
  32773: 'PackBits',
};

export const looksLikeTiff = (bytes: Uint8Array): boolean =>
  (bytes[0] === 0x49 && bytes[1] === 0x49 && bytes[2] === 42 && bytes[3] === 0) ||
  (bytes[0] === 0x4d && bytes[1] === 0x4d && bytes[2] === 0 && bytes[3] === 42);

/** Bytes of one value of each field type (TIFF 6.0, section 2). */
const TYPE_BYTES = [0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8];
const MOST_FIELDS = 1024;
/** More than this out of a byte no compression makes: 4096 of 12 bits by LZW, 258 of 2 bits by deflate. */
const MOST_FROM_A_BYTE: Readonly<Record<number, number>> = {
  1: 1,
  5: 2731,
  8: 1032,
  32946: 1032,
  // 128 of a run's two bytes.
  32773: 64,
};

/** Where the first directory asks for more than the file holds; undefined where it does not. Nothing is read yet. */
const overlong = (bytes: Uint8Array): Result<undefined> => {
  const little = bytes[0] === 0x49;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const at = bytes.length >= 8 ? view.getUint32(4, little) : 0;
  if (at < 8 || at + 2 > bytes.length)
    return failure('byte 4', 'The TIFF has no directory, so there is no picture in it: copy it again.');
  const fields = view.getUint16(at, little);
  if (fields > MOST_FIELDS || at + 2 + 12 * fields > bytes.length)
    return failure(`byte ${at}`, 'The TIFF ends inside its directory: copy it again.');
  for (let n = 0; n < fields; n += 1) {
    const field = at + 2 + 12 * n;
    const [type, count] = [view.getUint16(field + 2, little), view.getUint32(field + 4, little)];
    if (count * (TYPE_BYTES[type] ?? 1) > bytes.length)
      return failure(
        `field ${view.getUint16(field, little)}`,
        'It is said to be longer than the file: the TIFF is damaged or cut short, copy it again.',
      );
  }
  return success(undefined);
};

const PACK_BITS = 32773;

/**
 * Runs of bytes unpacked to the end of the room (TIFF 6.0, section 9).
 * @returns Bytes written; fewer, where it is cut.
 */
const unpackBits = (from: Uint8Array, room: Uint8Array): number => {
  let to = 0;
  for (let at = 0; at + 1 < from.length && to < room.length;) {
    const n = (from[at] << 24) >> 24;
    if (n >= 0) {
      const part = from.subarray(at + 1, Math.min(at + 2 + n, at + 1 + room.length - to));
      room.set(part, to);
      to += part.length;
      at += 2 + n;
    } else if (n === -128) at += 1;
    else {
      const end = Math.min(room.length, to + 1 - n);
      room.fill(from[at + 1], to, end);
      to = end;
      at += 2;
    }
  }
  return to;
};

/** Samples of strips in PackBits; undefined where they end before the picture does. */
const unpackedStrips = (bytes: Uint8Array, head: TiffIfd): Uint8Array | Uint16Array | undefined => {
  const { width, height, samplesPerPixel, bitsPerSample, stripOffsets, stripByteCounts, rowsPerStrip } = head;
  const rowBytes = (width * samplesPerPixel * bitsPerSample) / 8;
  const packed = new Uint8Array(rowBytes * height);
  const stripBytes = Math.min(height, rowsPerStrip ?? height) * rowBytes;
  for (let n = 0, to = 0; to < packed.length; n += 1, to += stripBytes) {
    const [offset, length] = [stripOffsets[n], stripByteCounts[n]];
    if (!(offset >= 0 && length >= 0)) return undefined;
    const room = packed.subarray(to, Math.min(packed.length, to + stripBytes));
    if (unpackBits(bytes.subarray(offset, offset + length), room) < room.length) return undefined;
  }
  if (bitsPerSample === 8) return packed;
  const view = new DataView(packed.buffer);
  const little = bytes[0] === 0x49;
  return Uint16Array.from({ length: packed.length / 2 }, (_, i) => view.getUint16(2 * i, little));
};

const detail = (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, 80);

/** What of a directory is not read here, field by field; undefined where its picture can be unpacked. */
const unreadable = (head: TiffIfd, fileBytes: number): Failure | undefined => {
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
    return failure('field 258', wrongSamples(bitsPerSample, sampleFormat === 3));
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
      `The TIFF is compressed in way ${compression}; uncompressed, LZW, deflate and PackBits are read.`,
    );
  if (samplesPerPixel < 1 || samplesPerPixel > 4)
    return failure('field 277', `The TIFF holds ${samplesPerPixel} samples a pixel; 1 to 4 are read.`);
  const needed = (width * height * samplesPerPixel * bitsPerSample) / 8;
  if (needed > fileBytes * MOST_FROM_A_BYTE[compression])
    return failure(
      'field 279',
      `A picture of ${width} x ${height} cannot come out of ${fileBytes} bytes: the TIFF is cut short, copy it again.`,
    );
  return undefined;
};

/**
 * Opens an 8- or 16-bit TIFF (grey or R'G'B', alpha ignored; uncompressed, LZW, deflate or PackBits) as code values:
 * its first picture. Refuses, naming the field, what it cannot read; size is checked before anything is unpacked.
 */
export const openTiff = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  const cut = (error: unknown) =>
    failure('picture data', `The TIFF is damaged or cut short (${detail(error)}): copy it again.`);
  const sound = overlong(bytes);
  if (!sound.ok) return sound;
  let head;
  try {
    [head] = decode(bytes, { ignoreImageData: true, pages: [0] });
  } catch (error) {
    return cut(error);
  }
  if (!head)
    return failure('byte 4', 'The TIFF has no directory, so there is no picture in it: copy it again.');
  const unread = unreadable(head, bytes.length);
  if (unread) return unread;
  const { width, height, samplesPerPixel, compression } = head;
  try {
    if (compression === PACK_BITS) {
      const data = unpackedStrips(bytes, head);
      if (!data) return cut('PackBits run past their end');
      const samples = { width, height, channels: samplesPerPixel, data };
      return success(frameOfSamples(samples, options, 'TIFF, PackBits'));
    }
    const [{ data }] = decode(bytes, { pages: [0] });
    if (!(data instanceof Uint8Array || data instanceof Uint16Array)) return cut('samples of another kind');
    const samples = { width, height, channels: samplesPerPixel, data };
    return success(frameOfSamples(samples, options, `TIFF, ${COMPRESSIONS[compression]}`));
  } catch (error) {
    return cut(error);
  }
};
