import { makeFrame, type Frame } from '../frame/frame.ts';
import { failure, success, type Result } from '../result.ts';
import type { Range } from '../signal/scale.ts';
import { MAX_PIXELS } from './opened.ts';

// SMPTE ST 268:2003: a header of fields at fixed places, then 32-bit words of samples. Its tables are cited by field.
const MAGIC = { big: 0x53445058, little: 0x58504453 } as const;
const UNDEFINED = 0xffffffff;
/**
 * Generic header: file, image and orientation information (tables 1 to 3); what is special to an industry may
 * follow.
 */
const HEADER = 1664;
/** Field 18 of the first image element: what its samples are. */
const RGB = 50;

/** Field 22 (packing) for 10 bit: how three samples lie in a word, most significant first. */
const PACKINGS = {
  0: { name: 'packed', shifts: undefined },
  1: { name: 'filled, method A', shifts: [22, 12, 2] },
  2: { name: 'filled, method B', shifts: [20, 10, 0] },
} as const;
type PackingId = keyof typeof PACKINGS;

export const looksLikeDpx = (bytes: Uint8Array): boolean => {
  if (bytes.length < 4) return false;
  const word = new DataView(bytes.buffer, bytes.byteOffset).getUint32(0);
  return word === MAGIC.big || word === MAGIC.little;
};

export type Dpx = {
  readonly frame: Frame;
  readonly packing: string;
  readonly order: 'big' | 'little';
};

type Layout = {
  readonly width: number;
  readonly height: number;
  readonly start: number;
  readonly packing: PackingId;
  readonly little: boolean;
};

const readHeader = (bytes: Uint8Array): Result<Layout> => {
  if (bytes.length < HEADER)
    return failure(`byte ${bytes.length}`, 'The DPX ends inside its header: copy the file again.');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
  const little = view.getUint32(0) === MAGIC.little;
  const u32 = (at: number) => view.getUint32(at, little);
  const u16 = (at: number) => view.getUint16(at, little);
  const [width, height] = [u32(772), u32(776)];
  if (width === 0 || height === 0 || width === UNDEFINED || height === UNDEFINED)
    return failure('byte 772', 'The DPX header gives no width and height.');
  if (width * height > MAX_PIXELS)
    return failure(
      'byte 772',
      `The picture is ${width} x ${height}; up to ${MAX_PIXELS / 1e6} million pixels are read.`,
    );
  if (bytes[800] !== RGB)
    return failure(
      'byte 800',
      `The DPX holds samples of kind ${bytes[800]}; R'G'B' (50) is read: export it so.`,
    );
  if (bytes[803] !== 10)
    return failure('byte 803', `The DPX holds ${bytes[803]}-bit samples; 10 bit is read.`);
  if (u16(806) !== 0)
    return failure('byte 806', 'The DPX is run-length encoded: export it without compression.');
  const packing = u16(804);
  if (!(packing in PACKINGS))
    return failure(
      'byte 804',
      `The DPX is packed in way ${packing}; 0, 1 and 2 are read (ST 268, field 22).`,
    );
  const own = u32(808);
  const start = own === UNDEFINED || own === 0 ? u32(4) : own;
  if (start < HEADER || start >= bytes.length)
    return failure(
      'byte 808',
      `The DPX says its picture begins at byte ${start}; the file has ${bytes.length}.`,
    );
  return success({ width, height, start, packing: packing as PackingId, little });
};

/** Bytes of a line: filled words hold three samples, packed ones run on; each line ends on a word. */
const lineBytes = (width: number, packing: PackingId) =>
  packing === 0 ? 4 * Math.ceil((30 * width) / 32) : 4 * width;

/**
 * Opens a 10-bit R'G'B' DPX (ST 268), either byte order, packed or filled by method A or B, as code values. Refuses by
 * byte what it cannot read; sizes are checked before anything is unpacked.
 */
export const openDpx = (bytes: Uint8Array, range: Range): Result<Dpx> => {
  if (!looksLikeDpx(bytes)) return failure('byte 0', 'The DPX magic number is missing.');
  const header = readHeader(bytes);
  if (!header.ok) return header;
  const { width, height, start, packing, little } = header.value;
  const line = lineBytes(width, packing);
  if (start + line * height > bytes.length)
    return failure(
      `byte ${bytes.length}`,
      `The DPX is cut short: ${width} x ${height} need ${start + line * height} bytes, copy it again.`,
    );
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  const { shifts } = PACKINGS[packing];
  for (let y = 0, i = 0; y < height; y += 1) {
    const from = start + y * line;
    for (let x = 0; x < width; x += 1, i += 1)
      for (let c = 0; c < 3; c += 1)
        planes[c][i] = shifts
          ? (view.getUint32(from + 4 * x, little) >>> shifts[c]) & 1023
          : packedSample(view, from, 3 * x + c, little);
  }
  const [r, g, b] = planes;
  return success({
    frame: makeFrame({ width, height, bitDepth: 10, range, r, g, b }),
    packing: PACKINGS[packing].name,
    order: little ? 'little' : 'big',
  });
};

/** Sample n of a packed line: samples fill words from the least significant bit and run over into the next. */
const packedSample = (view: DataView, from: number, n: number, little: boolean): number => {
  const bit = 10 * n;
  const word = from + 4 * (bit >> 5);
  const low = bit & 31;
  const first = view.getUint32(word, little) >>> low;
  return (low <= 22 ? first : first | (view.getUint32(word + 4, little) << (32 - low))) & 1023;
};
