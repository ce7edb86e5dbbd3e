import { CHROMA_THINNING } from '../signal/chroma.ts';
import type { LumaId } from '../signal/luma.ts';
import { maxCode, type Range } from '../signal/scale.ts';
import { makeFrame, type Frame } from './frame.ts';
import { unconverted } from './ofYcbcr.ts';
import type { VideoLayout } from './videoFormats.ts';

/** A decoded picture: its samples without gaps between rows, planes one after another. */
export type VideoPicture = {
  readonly width: number;
  readonly height: number;
  readonly layout: VideoLayout;
  readonly bytes: Uint8Array;
  readonly matrix: LumaId;
  readonly range: Range;
  /** Where 8-bit planes are to be unpacked, and by what; without, to fresh arrays. */
  readonly place?: UnpackingPlace;
};

/** Planes of a picture's size to unpack into. */
export type UnpackingPlace = {
  readonly y: Uint16Array;
  /** As long as the picture's luma; thinned colour takes their beginning. */
  readonly cb: Uint16Array;
  readonly cr: Uint16Array;
  readonly widen: (bytes: Uint8Array, out: Uint16Array) => void;
};

/** Bytes a picture takes. */
export const videoBytes = (width: number, height: number, layout: VideoLayout): number => {
  const [across, down] = CHROMA_THINNING[layout.chroma];
  const colour = Math.ceil(width / across) * Math.ceil(height / down);
  if (layout.kind === 'rgb') return 4 * width * height;
  return (width * height + 2 * colour) * (layout.bitDepth > 8 ? 2 : 1);
};

/** `step` samples apart from byte `at` on, little-endian when wide; junk above the depth is held at the top code. */
const samples = (bytes: Uint8Array, at: number, n: number, bitDepth: number, step = 1): Uint16Array => {
  const out = new Uint16Array(n);
  if (bitDepth > 8) {
    const top = maxCode(bitDepth);
    for (let i = 0, from = at; i < n; i += 1, from += 2 * step) {
      const code = bytes[from] | (bytes[from + 1] << 8);
      out[i] = code > top ? top : code;
    }
  } else if (step === 1) out.set(bytes.subarray(at, at + n));
  else for (let i = 0, from = at; i < n; i += 1, from += step) out[i] = bytes[from];
  return out;
};

/**
 * A decoded picture as a frame; Y'CbCr ones are left to be converted by whoever has the place for it.
 * @throws RangeError when the bytes are too few for the size.
 */
export const frameOfVideo = ({ width, height, layout, bytes, matrix, range, place }: VideoPicture): Frame => {
  const need = videoBytes(width, height, layout);
  if (bytes.length < need) throw new RangeError(`frameOfVideo: ${bytes.length} bytes of ${need}`);
  const { kind, chroma, bitDepth, order } = layout;
  const n = width * height;
  if (kind === 'rgb') {
    const [r, g, b] = (order ?? [0, 1, 2]).map((at) => samples(bytes, at, n, 8, 4));
    return makeFrame({ width, height, bitDepth, range, r, g, b });
  }
  if (kind === 'gbr') {
    const wide = bitDepth > 8 ? 2 : 1;
    const [g, b, r] = [0, 1, 2].map((plane) => samples(bytes, plane * n * wide, n, bitDepth));
    return makeFrame({ width, height, bitDepth, range, r, g, b });
  }
  const [across, down] = CHROMA_THINNING[chroma];
  const colour = Math.ceil(width / across) * Math.ceil(height / down);
  if (place && kind === 'planar' && bitDepth === 8) {
    const [y, cb, cr] = [place.y.subarray(0, n), place.cb.subarray(0, colour), place.cr.subarray(0, colour)];
    place.widen(bytes.subarray(0, n), y);
    place.widen(bytes.subarray(n, n + colour), cb);
    place.widen(bytes.subarray(n + colour, n + 2 * colour), cr);
    return unconverted({ y, cb, cr, chroma, matrix }, width, { bitDepth, range });
  }
  const size = bitDepth > 8 ? 2 : 1;
  const y = samples(bytes, 0, n, bitDepth);
  const [cb, cr] =
    kind === 'twoPlanes'
      ? [0, 1].map((k) => samples(bytes, n * size + k * size, colour, bitDepth, 2))
      : [0, 1].map((k) => samples(bytes, (n + k * colour) * size, colour, bitDepth));
  return unconverted({ y, cb, cr, chroma, matrix }, width, { bitDepth, range });
};
