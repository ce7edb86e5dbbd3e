import { makeFrame, type Frame } from '../frame/frame.ts';
import { failure, success, type Result } from '../result.ts';
import { CHROMA_THINNING, type Chroma } from '../signal/chroma.ts';
import { LUMA } from '../signal/luma.ts';
import { codeAnchors, maxCode, type Range } from '../signal/scale.ts';
import { MAX_PIXELS } from './png.ts';

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

/** Reads a clip's first line and finds its frames; nothing is unpacked. Refuses by byte what it cannot read. */
export const openY4m = (bytes: Uint8Array): Result<Y4mClip> => {
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
  if (!(name in LAYOUTS))
    return failure(
      'byte 0',
      `The clip’s layout is ${name.slice(0, 20)}; read are ${Object.keys(LAYOUTS).join(', ')}.`,
    );
  const layout = LAYOUTS[name as keyof typeof LAYOUTS];
  const told = words.find((word) => word.startsWith('XCOLORRANGE='))?.slice(12);
  const [top, bottom] = (of('F') ?? '25:1').split(':').map(Number);
  const { frame } = sizesOf(width, height, layout.chroma, layout.bitDepth);
  const frames: number[] = [];
  let at = head.length + 1;
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
  return success({
    width,
    height,
    ...layout,
    range: told === 'FULL' ? 'full' : told === 'LIMITED' ? 'legal' : undefined,
    rate: [top, bottom],
    frames,
    cutAt,
  });
};

const { kr, kg, kb } = LUMA.bt709;

/**
 * One frame of a clip as R'G'B' codes by BT.709 (clauses 3 and 4), each colour sample standing for all it covers; codes
 * beyond the range of the depth are held at its ends.
 * @throws RangeError when the clip has no such frame.
 */
export const y4mFrameAt = (bytes: Uint8Array, clip: Y4mClip, n: number, range: Range): Frame => {
  const start = clip.frames[n];
  if (start === undefined) throw new RangeError(`y4mFrameAt: no frame ${n} of ${clip.frames.length}`);
  const { width, height, bitDepth, chroma } = clip;
  const size = sizesOf(width, height, chroma, bitDepth);
  const sample =
    size.bytes === 1
      ? (i: number) => bytes[start + i]
      : (i: number) => bytes[start + 2 * i] | (bytes[start + 2 * i + 1] << 8);
  const [u, v] = CHROMA_THINNING[chroma];
  const columns = Math.ceil(width / u);
  const { black, white } = codeAnchors({ bitDepth, range });
  const top = maxCode(bitDepth);
  const middle = 2 ** (bitDepth - 1);
  const span = (white - black) / (range === 'legal' ? 224 * 2 ** (bitDepth - 8) : top);
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  const held = (code: number) => (code < 0 ? 0 : code > top ? top : Math.round(code));
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, i += 1) {
      const j = size.luma + Math.floor(y / v) * columns + Math.floor(x / u);
      const luma = sample(i);
      const blue = span * (2 - 2 * kb) * (sample(j) - middle);
      const red = span * (2 - 2 * kr) * (sample(j + size.colour) - middle);
      planes[0][i] = held(luma + red);
      planes[1][i] = held(luma - (kr * red + kb * blue) / kg);
      planes[2][i] = held(luma + blue);
    }
  const [r, g, b] = planes;
  return makeFrame({ width, height, bitDepth, range, r, g, b });
};
