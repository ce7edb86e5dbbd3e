import type { Frame } from '../frame/frame.ts';
import { frameOfYcbcr } from '../frame/ofYcbcr.ts';
import { plainTag } from '../frame/tags.ts';
import { failure, success, type Result } from '../result.ts';
import { ownEntry } from '../ownEntry.ts';
import { CHROMA_THINNING, type Chroma } from '../signal/chroma.ts';
import type { LumaId } from '../signal/luma.ts';
import { maxCode, type Range } from '../signal/scale.ts';
import { MAX_PIXELS } from './opened.ts';

const MAGIC = 'YUV4MPEG2';
const MAX_LINE = 1000;

/** Layouts that are read. A further one is a row. */
const LAYOUTS = {
  '420': { chroma: '4:2:0', bitDepth: 8 },
  '420jpeg': { chroma: '4:2:0', bitDepth: 8 },
  '420mpeg2': { chroma: '4:2:0', bitDepth: 8 },
  '420paldv': { chroma: '4:2:0', bitDepth: 8 },
  '422': { chroma: '4:2:2', bitDepth: 8 },
  '444': { chroma: '4:4:4', bitDepth: 8 },
  '420p10': { chroma: '4:2:0', bitDepth: 10 },
  '422p10': { chroma: '4:2:2', bitDepth: 10 },
  '444p10': { chroma: '4:4:4', bitDepth: 10 },
} as const satisfies Record<string, { chroma: Chroma; bitDepth: 8 | 10 }>;

/** What the first line of a clip says, and where its frames lie. */
export type Y4mClip = {
  readonly width: number;
  readonly height: number;
  readonly bitDepth: 8 | 10;
  readonly chroma: Chroma;
  /** As the clip says it; undefined when it does not. */
  readonly range?: Range;
  /** As the clip says it: `bt601`, `bt2020`. */
  readonly matrix?: string;
  readonly rate: readonly [number, number];
  /** Byte at which each whole frame's planes begin. */
  readonly frames: readonly number[];
  /** Byte at which a last frame is cut short, if it is. */
  readonly cutAt?: number;
};

export const looksLikeY4m = (bytes: Uint8Array): boolean =>
  [...MAGIC].every((letter, i) => bytes[i] === letter.charCodeAt(0));

/** A line of text from a byte on; undefined when it does not end soon. */
const lineAt = (bytes: Uint8Array, at: number): string | undefined => {
  const end = bytes.subarray(at, at + MAX_LINE).indexOf(10);
  return end === -1 ? undefined : new TextDecoder('latin1').decode(bytes.subarray(at, at + end));
};

const sizesOf = (width: number, height: number, chroma: Chroma, bitDepth: number) => {
  const [u, v] = CHROMA_THINNING[chroma];
  const colour = Math.ceil(width / u) * Math.ceil(height / v);
  const bytes = bitDepth > 8 ? 2 : 1;
  return { luma: width * height, colour, frame: bytes * (width * height + 2 * colour), bytes };
};

/** Bytes within which the first line has ended and the first frame begun. */
export const Y4M_HEAD_BYTES = 4096;

export type Y4mHead = Omit<Y4mClip, 'frames' | 'cutAt'> & {
  /** Byte at which the first frame's own line begins. */
  readonly start: number;
  /** Bytes of a frame's planes. */
  readonly frameBytes: number;
};

/** What a clip's first line says. Refuses by byte what it cannot read. */
export const readY4mHead = (bytes: Uint8Array): Result<Y4mHead> => {
  const head = looksLikeY4m(bytes) ? lineAt(bytes, 0) : undefined;
  if (head === undefined)
    return failure('byte 0', 'The clip’s first line is missing or too long: it is no Y4M file.');
  const words = head.split(' ').slice(1);
  const of = (letter: string) => words.find((word) => word.startsWith(letter))?.slice(1);
  const [width, height] = [Number(of('W')), Number(of('H'))];
  if (!(Number.isInteger(width) && Number.isInteger(height) && width > 0 && height > 0))
    return failure('byte 0', 'The clip’s first line gives no width and height.');
  if (width * height > MAX_PIXELS)
    return failure(
      'byte 0',
      `The clip is ${width} x ${height}; up to ${MAX_PIXELS / 1e6} million pixels are read.`,
    );
  const name = of('C') ?? '420';
  const layout = ownEntry<(typeof LAYOUTS)[keyof typeof LAYOUTS]>(LAYOUTS, name);
  if (!layout)
    return failure(
      'byte 0',
      `The clip’s layout is ${name.slice(0, 20)}; read are ${Object.keys(LAYOUTS).join(', ')}.`,
    );
  const told = words.find((word) => word.startsWith('XCOLORRANGE='))?.slice(12);
  const matrix = words.find((word) => word.startsWith('XCOLORMATRIX='))?.slice(13);
  const [top, bottom] = (of('F') ?? '25:1').split(':').map(Number);
  return success({
    width,
    height,
    ...layout,
    range: told === 'FULL' ? 'full' : told === 'LIMITED' ? 'legal' : undefined,
    matrix: plainTag('matrix', matrix?.toLowerCase()),
    rate: [top, bottom],
    start: head.length + 1,
    frameBytes: sizesOf(width, height, layout.chroma, layout.bitDepth).frame,
  });
};

/** Reads a clip's first line and finds its frames; nothing is unpacked. Refuses by byte what it cannot read. */
export const openY4m = (bytes: Uint8Array): Result<Y4mClip> => {
  const head = readY4mHead(bytes);
  if (!head.ok) return head;
  const { start: first, frameBytes: frame, ...clip } = head.value;
  const frames: number[] = [];
  let at = first;
  let cutAt: number | undefined;
  while (at < bytes.length) {
    const line = lineAt(bytes, at);
    if (!line?.startsWith('FRAME')) {
      if (frames.length === 0) return failure(`byte ${at}`, 'No frame follows the clip’s first line.');
      cutAt = at;
      break;
    }
    const start = at + line.length + 1;
    if (start + frame > bytes.length) {
      cutAt = bytes.length;
      break;
    }
    frames.push(start);
    at = start + frame;
  }
  if (frames.length === 0)
    return failure(`byte ${cutAt ?? at}`, 'The clip is cut short within its first frame: copy it again.');
  return success({ ...clip, frames, cutAt });
};

/**
 * One frame of a clip as R'G'B' codes beside the Y'CbCr it was recorded as.
 * @throws RangeError when the clip has no such frame.
 */
export const y4mFrameAt = (
  bytes: Uint8Array,
  clip: Y4mClip,
  n: number,
  range: Range,
  matrix: LumaId = 'bt709',
): Frame => {
  const start = clip.frames[n];
  if (start === undefined) throw new RangeError(`y4mFrameAt: no frame ${n} of ${clip.frames.length}`);
  return y4mFrameFrom(bytes.subarray(start), clip, { range, matrix });
};

/** A frame's planes, as they lie in the file, to a frame. */
export const y4mFrameFrom = (
  planes: Uint8Array,
  { width, height, bitDepth, chroma }: Pick<Y4mClip, 'width' | 'height' | 'bitDepth' | 'chroma'>,
  { range, matrix }: { readonly range: Range; readonly matrix: LumaId },
  /** How R'G'B' is made of it; `unconverted` leaves that to the caller. */
  convert = frameOfYcbcr,
): Frame => {
  const { luma, colour, bytes } = sizesOf(width, height, chroma, bitDepth);
  const top = maxCode(bitDepth);
  const samples = (from: number, n: number) => {
    const out = new Uint16Array(n);
    const at = from * bytes;
    if (bytes === 1) out.set(planes.subarray(at, at + n));
    else
      for (let i = 0; i < n; i += 1)
        out[i] = Math.min(top, planes[at + 2 * i] | (planes[at + 2 * i + 1] << 8));
    return out;
  };
  return convert(
    {
      y: samples(0, luma),
      cb: samples(luma, colour),
      cr: samples(luma + colour, colour),
      chroma,
      matrix,
    },
    width,
    { bitDepth, range },
  );
};
