import { failure, success, type Result } from '../result.ts';
import { MAX_BYTES, openPng, type OpenedFrame, type ReadingWish } from './png.ts';
import { looksLikeDpx, openDpx } from './dpx.ts';
import { looksLikeY4m, openY4m, y4mFrameAt } from './y4mRead.ts';

/** A file format that holds a frame. */
type FrameFormat = {
  readonly name: string;
  /** Told by the first bytes, never by the name. */
  readonly is: (bytes: Uint8Array) => boolean;
  readonly open: (bytes: Uint8Array, wish: ReadingWish) => Result<OpenedFrame>;
};

/** The first whole frame of a clip; its own word on the range goes before the wish the first time it is read. */
const openClip = (bytes: Uint8Array, { range }: ReadingWish): Result<OpenedFrame> => {
  const clip = openY4m(bytes);
  if (!clip.ok) return clip;
  const { frames, bitDepth, chroma, cutAt, range: told } = clip.value;
  const frame = y4mFrameAt(bytes, clip.value, 0, range);
  const words = told && told !== range ? `; the clip calls itself ${told}` : '';
  return success({
    frame,
    reading: bitDepth === 8 ? 'codes8' : 'codes10',
    evidence: `Y4M ${bitDepth}-bit ${chroma}, frame 1 of ${frames.length}${cutAt === undefined ? '' : ', the last one cut short'}${words}`,
  });
};

const openFilmScan = (bytes: Uint8Array, { range }: ReadingWish): Result<OpenedFrame> => {
  const opened = openDpx(bytes, range);
  if (!opened.ok) return opened;
  const { frame, packing, order } = opened.value;
  return success({ frame, reading: 'codes10', evidence: `DPX 10-bit, ${packing}, ${order}-endian` });
};

/** Formats that are opened; the last one says what is wrong when none fits. A further one is a row. */
export const FRAME_FORMATS: readonly FrameFormat[] = [
  { name: 'Y4M', is: looksLikeY4m, open: openClip },
  { name: 'DPX', is: looksLikeDpx, open: openFilmScan },
  { name: 'PNG', is: () => true, open: openPng },
];

/** Opens a file of code values by what its first bytes say it is. */
export const openFrame = (bytes: Uint8Array, wish: ReadingWish): Result<OpenedFrame> => {
  if (bytes.length > MAX_BYTES)
    return failure('file', `The file is ${Math.round(bytes.length / 1e6)} MB; up to 600 MB are read.`);
  const format = FRAME_FORMATS.find(({ is }) => is(bytes)) ?? FRAME_FORMATS[FRAME_FORMATS.length - 1];
  return format.open(bytes, wish);
};
