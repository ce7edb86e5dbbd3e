import { failure, success, type Result } from '../result.ts';
import { EXACT } from '../frame/tags.ts';
import { looksLikeDpx, openDpx } from './dpx.ts';
import { looksLikeJpeg, openJpeg } from './jpeg.ts';
import { matrixFor, MAX_BYTES, plainly, rangeFor, type OpenedFrame, type ReadingOptions } from './opened.ts';
import { looksLikePng, looksLikeText, openPng } from './png.ts';
import { looksLikeTiff, openTiff } from './tiff.ts';
import { looksLikeY4m, openY4m, y4mFrameAt } from './y4mRead.ts';

/** A file format that holds a frame. */
type FrameFormat = {
  readonly name: string;
  /** It holds many pictures; only its first is opened here. */
  readonly clip: boolean;
  /** Told by the first bytes, never by the name. */
  readonly is: (bytes: Uint8Array) => boolean;
  readonly open: (bytes: Uint8Array, options: ReadingOptions) => Result<OpenedFrame>;
};

/** The first whole frame of a clip. */
const openClip = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  const clip = openY4m(bytes);
  if (!clip.ok) return clip;
  const { frames, bitDepth, chroma, cutAt, range: told, matrix } = clip.value;
  const tags = { range: told, matrix };
  const cut = cutAt === undefined ? '' : ', the last one cut short';
  return success({
    frame: y4mFrameAt(bytes, clip.value, 0, rangeFor(options, told), matrixFor(options, tags)),
    reading: bitDepth === 8 ? 'codes8' : 'codes10',
    evidence: `${bitDepth}-bit ${chroma}, frame 1 of ${frames.length}${cut}`,
    container: 'Y4M',
    tags,
    referred: options.referred ?? 'recorded',
    exactness: EXACT,
  });
};

const openFilmScan = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  const opened = openDpx(bytes, options.range);
  if (!opened.ok) return opened;
  const { frame, packing, order } = opened.value;
  const evidence = `10-bit, ${packing}, ${order}-endian`;
  return success(plainly({ frame, reading: 'codes10', evidence, container: 'DPX' }, options));
};

/** Formats that are opened, told by their first bytes. A further one is a row. */
const FRAME_FORMATS: readonly FrameFormat[] = [
  { name: 'Y4M', clip: true, is: looksLikeY4m, open: openClip },
  { name: 'DPX', clip: false, is: looksLikeDpx, open: openFilmScan },
  { name: 'TIFF', clip: false, is: looksLikeTiff, open: openTiff },
  { name: 'JPEG', clip: false, is: looksLikeJpeg, open: openJpeg },
  { name: 'PNG', clip: false, is: looksLikePng, open: openPng },
];

/** Whether a file holds one picture, by its first bytes; text is taken for a still, whose reader then names it. */
export const looksLikeStill = (bytes: Uint8Array): boolean => {
  const format = FRAME_FORMATS.find(({ is }) => is(bytes));
  return format ? !format.clip : looksLikeText(bytes);
};

/**
 * Opens a file of code values by what its first bytes say it is; where none fits, the PNG's reader says what
 * is wrong.
 */
export const openFrame = (bytes: Uint8Array, options: ReadingOptions): Result<OpenedFrame> => {
  if (bytes.length > MAX_BYTES)
    return failure('file', `The file is ${Math.round(bytes.length / 1e6)} MB; up to 600 MB are read.`);
  const open = FRAME_FORMATS.find(({ is }) => is(bytes))?.open ?? openPng;
  return open(bytes, options);
};
