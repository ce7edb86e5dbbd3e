import { cutOut, type Frame, type Rect } from '#core/frame/frame.ts';
import type { UnpackingPlace } from '#core/frame/ofVideo.ts';
import type { OpenedFrame } from '#core/formats/opened.ts';
import type { Kernels } from '#core/kernels/types.ts';
import type { CountedFrame } from '#core/scopes/measureFrame.ts';
import { emptyCells, type MarkCells } from '#core/scopes/marks.ts';
import { vectorscopeBits, type Vectorscope } from '#core/scopes/vectorscope.ts';
import { waveformLayout, type Waveform, type WaveformLayout } from '#core/scopes/waveform.ts';
import { LUMA, type LumaId } from '#core/signal/luma.ts';
import type { FrameCoding } from './protocol.ts';

/** Planes a waveform can be made of. */
type PlaneId = 'luma' | 'r' | 'g' | 'b';

/** The widest waveform that is counted, in columns; wider panes are drawn from it. */
const MOST_COLUMNS = 1920;

type Slots = {
  readonly key: string;
  readonly r: Uint16Array;
  readonly g: Uint16Array;
  readonly b: Uint16Array;
  readonly luma: Uint16Array;
  /** Colour samples, and bytes to be unpacked, of a picture that comes as Y'CbCr. */
  readonly cb: Uint16Array;
  readonly cr: Uint16Array;
  readonly raw: Uint8Array;
  readonly pixels: Uint32Array;
  readonly counts: { readonly [plane in PlaneId]: Uint16Array };
  readonly pairs: Uint32Array;
  readonly cells: MarkCells;
};

/** What is on the bench, and what has been counted of it so far. */
export type Held = {
  readonly opened: OpenedFrame;
  readonly frame: Frame;
  readonly luma: Uint16Array;
  readonly origin: CountedFrame['origin'];
  /** Room for a picture of the frame's size, and for the planes of a smaller one. */
  readonly pixels: Uint32Array;
  readonly room: Uint8Array;
  readonly waveform: (plane: PlaneId, columns: number) => Waveform;
  readonly histogram: (plane: PlaneId) => Uint32Array;
  readonly vectorscope: (matrix: LumaId) => Vectorscope;
  /** Marks at these codes; the counts are overwritten by the next call. */
  readonly cells: (clipCode: number, floorCode: number) => MarkCells;
  /** A part of the frame as a bench of its own. */
  readonly part: (region: Rect) => Held;
};

export const infoOf = ({
  frame,
  reading,
  evidence,
  container,
  tags,
  referred,
  exactness,
}: OpenedFrame): FrameCoding => ({
  width: frame.width,
  height: frame.height,
  bitDepth: frame.bitDepth,
  range: frame.range,
  ...(frame.feed ? { feed: frame.feed } : {}),
  reading,
  evidence,
  container,
  tags,
  referred,
  exactness,
  matrix: frame.source?.matrix,
});

const takeSlots = (kernels: Kernels, width: number, height: number, levels: number): Slots => {
  const n = width * height;
  const columns = Math.min(MOST_COLUMNS, width);
  const counts = columns * (levels + 32);
  const cells = emptyCells(width, height);
  // Behind what is taken: room for planes and tables that are copied in for a call.
  const copied = 8 * n + 1_000_000;
  kernels.room(19 * n + 8 * counts + 4 * 512 * 512 + 4 * cells.counts.length + copied);
  return {
    key: `${width} ${height} ${levels}`,
    r: kernels.u16(n),
    g: kernels.u16(n),
    b: kernels.u16(n),
    luma: kernels.u16(n),
    cb: kernels.u16(n),
    cr: kernels.u16(n),
    raw: kernels.u8(3 * n),
    pixels: kernels.u32(n),
    counts: {
      luma: kernels.u16(counts),
      r: kernels.u16(counts),
      g: kernels.u16(counts),
      b: kernels.u16(counts),
    },
    pairs: kernels.u32(512 * 512),
    cells: { ...cells, counts: kernels.u32(cells.counts.length) },
  };
};

/** Counting over a frame whose planes lie in the slots, each thing once. */
const benchOf = (kernels: Kernels, slots: Slots, opened: OpenedFrame, frame: Frame): Held => {
  const { source } = frame;
  // Luma that was unpacked into its place is there already.
  if (source) {
    if (source.y.byteOffset !== slots.luma.byteOffset || source.y.buffer !== slots.luma.buffer)
      slots.luma.set(source.y);
  }
  if (!source) kernels.luma(frame, frame.bitDepth, LUMA.bt709, slots.luma);
  const planes = { luma: slots.luma, r: frame.r, g: frame.g, b: frame.b };
  const waveforms = new Map<PlaneId, Waveform>();
  const layouts = new Map<number, WaveformLayout>();
  let scope: { readonly key: string; readonly value: Vectorscope } | undefined;

  const layoutOf = (columns: number): WaveformLayout => {
    const wanted = Math.min(columns, frame.width, MOST_COLUMNS);
    const known = layouts.get(wanted) ?? waveformLayout(frame.width, frame.height, frame.bitDepth, wanted);
    layouts.set(wanted, known);
    return known;
  };

  const waveform = (plane: PlaneId, columns: number): Waveform => {
    const layout = layoutOf(columns);
    const known = waveforms.get(plane);
    if (known && known.columns === layout.columns) return known;
    const counts = slots.counts[plane].subarray(0, layout.columns * layout.stride);
    kernels.clear(counts);
    kernels.waveform(planes[plane], frame.width, layout, counts);
    const made = { columns: layout.columns, levels: layout.levels, stride: layout.stride, counts };
    waveforms.set(plane, made);
    return made;
  };

  return {
    opened,
    frame,
    luma: slots.luma,
    origin: { tags: opened.tags, referred: opened.referred, exactness: opened.exactness },
    pixels: slots.pixels,
    room: slots.raw,
    waveform,
    histogram: (plane) =>
      kernels.histogram(waveforms.get(plane) ?? waveform(plane, Math.min(640, frame.width))),
    vectorscope: (matrix) => {
      const bins = 1 << vectorscopeBits(frame.bitDepth).bits;
      if (scope?.key !== matrix) {
        const counts = slots.pairs.subarray(0, bins * bins);
        kernels.clear(counts);
        // By the matrix of the recording its own samples are counted, by another one they are worked out.
        if (source?.matrix === matrix) kernels.vectorscopeOfPlanes(source, frame.bitDepth, counts);
        else kernels.vectorscope(frame, matrix, counts);
        scope = { key: matrix, value: { bins, counts } };
      }
      return scope.value;
    },
    cells: (clipCode, floorCode) => {
      kernels.clear(slots.cells.counts);
      kernels.cells(frame, slots.luma, clipCode, floorCode, slots.cells);
      return slots.cells;
    },
    part: (region) => partOf(kernels, opened, frame, region),
  };
};

const ownSlots = (width: number, height: number, levels: number): Slots => {
  const n = width * height;
  const counts = () => new Uint16Array(Math.min(MOST_COLUMNS, width) * (levels + 32));
  return {
    key: '',
    r: new Uint16Array(0),
    g: new Uint16Array(0),
    b: new Uint16Array(0),
    luma: new Uint16Array(n),
    cb: new Uint16Array(0),
    cr: new Uint16Array(0),
    raw: new Uint8Array(0),
    pixels: new Uint32Array(n),
    counts: { luma: counts(), r: counts(), g: counts(), b: counts() },
    pairs: new Uint32Array(512 * 512),
    cells: emptyCells(width, height),
  };
};

/** A frame of its own memory, counted as the one on the bench is. */
export const looseBench = (kernels: Kernels, opened: OpenedFrame, frame: Frame): Held => {
  const levels = Math.min(1024, 2 ** frame.bitDepth);
  return benchOf(kernels, ownSlots(frame.width, frame.height, levels), { ...opened, frame }, frame);
};

const partOf = (kernels: Kernels, opened: OpenedFrame, frame: Frame, region: Rect): Held =>
  looseBench(kernels, opened, cutOut(frame, region));

/** The bench in the kernels' memory: one frame at a time, in the same place as long as its size stays. */
export const createHolder = (kernels: Kernels) => {
  let slots: Slots | undefined;
  let held: Held | undefined;
  let count = 0;

  const slotsFor = (width: number, height: number, bitDepth: number): Slots => {
    const levels = Math.min(1024, 2 ** bitDepth);
    if (slots?.key !== `${width} ${height} ${levels}`) slots = takeSlots(kernels, width, height, levels);
    return slots;
  };

  return {
    get: (): Held | undefined => held,
    /** Pictures put so far: the number of the one that is held. */
    count: (): number => count,
    /** @throws RangeError when nothing is on the bench. */
    current: (): Held => {
      if (!held) throw new RangeError('no frame is open');
      return held;
    },
    /** Where the next 8-bit picture may be unpacked; undefined unless it has the size of the one on the bench. */
    place: (width: number, height: number): (UnpackingPlace & { readonly raw: Uint8Array }) | undefined =>
      slots?.key === `${width} ${height} 256`
        ? { y: slots.luma, cb: slots.cb, cr: slots.cr, raw: slots.raw, widen: kernels.widen }
        : undefined,
    /** Puts a frame on the bench; its planes are copied into place. */
    put: (opened: OpenedFrame): FrameCoding => {
      const { frame } = opened;
      const place = slotsFor(frame.width, frame.height, frame.bitDepth);
      const { r, g, b } = place;
      if (frame.source) kernels.toRgb(frame.source, frame.width, frame, { r, g, b });
      else {
        r.set(frame.r);
        g.set(frame.g);
        b.set(frame.b);
      }
      const here: Frame = { ...frame, r, g, b };
      held = benchOf(kernels, place, { ...opened, frame: here }, here);
      count += 1;
      return infoOf(held.opened);
    },
  };
};

export type Holder = ReturnType<typeof createHolder>;
