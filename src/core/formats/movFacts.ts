import { printTimecode } from './timecode.ts';

/** What a container says of the clip as a whole, beside its pictures; undefined what it does not say. */
export type ContainerFacts = {
  /** Start by the camera's clock, seconds since 1970. */
  readonly startedAt?: number;
  readonly timecode?: string;
  readonly reel?: string;
};

/** Reads bytes of a file; fewer at its end. */
export type ReadAt = (at: number, length: number) => Promise<Uint8Array>;

type Box = { readonly type: string; readonly from: number; readonly to: number };

/** Boxes looked at before it is given up: a clip of a camera has some dozens. */
const MOST_BOXES = 600;
/** Seconds from 1904, where ISO/IEC 14496-12 counts from, to 1970. */
const FROM_1904 = 2_082_844_800;
const INSIDE = new Set(['moov', 'trak', 'mdia', 'minf', 'stbl']);

const viewOf = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const letters = (bytes: Uint8Array, at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));

/** The box that begins at a place; undefined where none can. */
const boxAt = async (read: ReadAt, at: number, end: number): Promise<Box | undefined> => {
  const head = await read(at, 16);
  if (head.length < 8) return undefined;
  const view = viewOf(head);
  const small = view.getUint32(0);
  const isLarge = small === 1 && head.length === 16;
  const size = isLarge ? Number(view.getBigUint64(8)) : small === 0 ? end - at : small;
  if (size < 8 || at + size > end) return undefined;
  return { type: letters(head, 4), from: at + (isLarge ? 16 : 8), to: at + size };
};

/** The timecode track's own fields (`tmcd` sample description of the MOV format). */
type TimecodeTrack = { stsd?: Box; chunk?: Box; isTimecode: boolean };

const secondsOf = (mvhd: Uint8Array): number | undefined => {
  if (mvhd.length < 12) return undefined;
  const view = viewOf(mvhd);
  const since1904 = mvhd[0] === 1 ? Number(view.getBigUint64(4)) : view.getUint32(4);
  return since1904 > FROM_1904 ? since1904 - FROM_1904 : undefined;
};

/** Text of the `name` that may stand behind a timecode's description: the reel. */
const reelOf = (entry: Uint8Array): string | undefined => {
  if (entry.length < 46 || letters(entry, 38) !== 'name') return undefined;
  const length = viewOf(entry).getUint16(42);
  const text = new TextDecoder().decode(entry.subarray(46, 46 + Math.min(length, 80)));
  return text.replaceAll(/[^\p{L}\p{N} ._-]/gu, '').trim() || undefined;
};

const timecodeOf = async (
  read: ReadAt,
  { stsd, chunk }: TimecodeTrack,
): Promise<Omit<ContainerFacts, 'startedAt'>> => {
  if (!stsd || !chunk) return {};
  // Version, flags and count stand before the first description, and before the first chunk's place.
  const entry = await read(stsd.from + 8, Math.min(stsd.to - stsd.from - 8, 160));
  const places = await read(chunk.from + 8, 8);
  if (entry.length < 34 || places.length < 8) return {};
  const place = chunk.type === 'co64' ? Number(viewOf(places).getBigUint64(0)) : viewOf(places).getUint32(0);
  const sample = await read(place, 4);
  if (sample.length < 4) return {};
  const view = viewOf(entry);
  const perSecond = view.getUint8(32);
  if (perSecond === 0) return {};
  const isDropFrame = (view.getUint32(20) & 1) === 1;
  const timecode = printTimecode({ frames: viewOf(sample).getUint32(0), perSecond, isDropFrame });
  const reel = reelOf(entry);
  return { timecode, ...(reel === undefined ? {} : { reel }) };
};

/**
 * Start, timecode and reel of an MP4 or MOV (ISO/IEC 14496-12; MOV's `tmcd` track). Nothing is believed that
 * does not fit: a spoilt file gives fewer facts, never an error.
 */
export const movFacts = async (read: ReadAt, size: number): Promise<ContainerFacts> => {
  let startedAt: number | undefined;
  let boxes = 0;
  const tracks: TimecodeTrack[] = [];
  const walk = async (from: number, to: number): Promise<void> => {
    let at = from;
    while (at + 8 <= to && boxes < MOST_BOXES) {
      boxes += 1;
      const box = await boxAt(read, at, to);
      if (!box) return;
      const track = tracks.at(-1);
      if (box.type === 'trak') tracks.push({ isTimecode: false });
      if (box.type === 'mvhd') startedAt = secondsOf(await read(box.from, 20));
      if (box.type === 'hdlr' && track) track.isTimecode ||= letters(await read(box.from, 12), 8) === 'tmcd';
      if (box.type === 'stsd' && track) track.stsd = box;
      if ((box.type === 'stco' || box.type === 'co64') && track) track.chunk = box;
      if (INSIDE.has(box.type)) await walk(box.from, box.to);
      at = box.to;
    }
  };
  await walk(0, size);
  const track = tracks.find(({ isTimecode }) => isTimecode);
  return {
    ...(startedAt === undefined ? {} : { startedAt }),
    ...(track ? await timecodeOf(read, track) : {}),
  };
};
