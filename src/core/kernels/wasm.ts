import type { Planes } from '../frame/frame.ts';
import type { ScreenCube } from '../lut/screenCube.ts';
import { vectorscopeBits, vectorscopeFactors } from '../scopes/vectorscope.ts';
import { chromaMiddle, chromaShifts, rgbFactors } from '../frame/ycbcr.ts';
import { fixedLumaWeights } from '../signal/luma.ts';
import { maxCode } from '../signal/scale.ts';
import { createArena, type WasmMemory } from './arena.ts';
import type { KernelExports } from './exports.ts';
import { PLAIN } from './plain.ts';
import { ROOMS } from './rooms.ts';
import type { Kernels } from './types.ts';

/** Signed 16-bit products hold codes of up to 15 bits, the lattice's places up to 14. Deeper ones go the plain way. */
const MOST_BITS = 12;

/** Depths that the lattice's loops are written for. */
const CUBE_DEPTHS: ReadonlySet<number> = new Set([8, 10, 12]);

/** Levels and stride for which the waveform knows its columns without a table. */
const DIRECT_STRIDE = 1056;

/**
 * The SIMD form over the module's functions and the memory they were given. Arrays that are not taken from it
 * are copied in and out; where they do not fit, and for codes deeper than 12 bits, the plain form runs.
 */
export const wasmKernels = (run: KernelExports, memory: WasmMemory): Kernels => {
  const { call, room, u8, u16, u32 } = createArena(memory, ROOMS.end);
  let unfolded: ScreenCube | undefined;
  const each = ({ r, g, b }: Planes) => [r, g, b] as const;
  return {
    id: 'wasm',
    room,
    u8,
    u16,
    u32,
    clear: (counts) => {
      if (counts.buffer === memory.buffer) run.clear(counts.byteOffset, counts.byteLength);
      else counts.fill(0);
    },
    widen: (bytes, out) => {
      const done = call([bytes], [out], ([from, to]) => run.widen(from, bytes.length, to));
      if (!done) PLAIN.widen(bytes, out);
    },
    thin: (plane, width, every, out) => {
      const done = call([plane], [out], ([from, to]) =>
        run.thin(from, width, plane.length / width, every, to),
      );
      if (!done) PLAIN.thin(plane, width, every, out);
    },
    luma: (planes, bitDepth, weights, out) => {
      const done =
        bitDepth <= MOST_BITS &&
        call(each(planes), [out], ([r, g, b, to]) =>
          run.luma(r, g, b, to, out.length, ...fixedLumaWeights(weights)),
        );
      if (!done) PLAIN.luma(planes, bitDepth, weights, out);
    },
    toRgb: (source, width, coding, out) => {
      const { rr, gb, gr, bb } = rgbFactors(source.matrix, coding);
      const [across, down] = chromaShifts(source.chroma);
      const { bitDepth } = coding;
      const done =
        bitDepth <= MOST_BITS &&
        call(
          [source.y, source.cb, source.cr],
          each(out),
          ([y, cb, cr, r, g, b]) =>
          run.toRgb(
            y, cb, cr, width, source.y.length / width, across, down,
            chromaMiddle(bitDepth), maxCode(bitDepth), rr, gb, gr, bb, r, g, b,
          ), // prettier-ignore
        );
      if (!done) PLAIN.toRgb(source, width, coding, out);
    },
    waveform: (plane, width, layout, counts) => {
      const { shift, start, stride, columns } = layout;
      const direct = stride === DIRECT_STRIDE && columns === width ? 1 : 0;
      const done = call([plane, start], [counts], ([from, starts, to]) =>
        run.waveform(from, width, plane.length / width, 0, width, shift, starts, to, direct),
      );
      if (!done) PLAIN.waveform(plane, width, layout, counts);
    },
    histogram: (waveform) => {
      const { counts, columns, stride, levels } = waveform;
      const sum = new Uint32Array(levels);
      const done = call([counts], [sum], ([from, to]) => run.histogram(from, columns, stride, levels, to));
      return done ? sum : PLAIN.histogram(waveform);
    },
    vectorscope: (frame, matrix, counts) => {
      const { cb, cr, bits, shift, offset } = vectorscopeFactors(matrix, frame);
      const done =
        frame.bitDepth <= MOST_BITS &&
        call(each(frame), [counts], ([r, g, b, to]) =>
          run.vectorscope(r, g, b, frame.r.length, to, bits, shift, offset, ...cb, ...cr),
        );
      if (!done) PLAIN.vectorscope(frame, matrix, counts);
    },
    vectorscopeOfPlanes: (planes, bitDepth, counts) => {
      const { bits, shift } = vectorscopeBits(bitDepth);
      const done = call([planes.cb, planes.cr], [counts], ([cb, cr, to]) =>
        run.vectorscopeOfPlanes(cb, cr, planes.cb.length, to, bits, shift),
      );
      if (!done) PLAIN.vectorscopeOfPlanes(planes, bitDepth, counts);
    },
    cells: (frame, luma, clipCode, floorCode, cells) => {
      const { width, height, cell, counts } = cells;
      const done =
        frame.bitDepth <= MOST_BITS &&
        call([...each(frame), luma], [counts], ([r, g, b, y, to]) =>
          run.cells(r, g, b, y, width, height, cell, Math.ceil(clipCode), Math.ceil(floorCode), to),
        );
      if (!done) PLAIN.cells(frame, luma, clipCode, floorCode, cells);
    },
    falseColour: (plane, table, pixels) => {
      const done = call([plane, table], [pixels], ([from, by, to]) =>
        run.falseColour(from, plane.length, by, to),
      );
      if (!done) PLAIN.falseColour(plane, table, pixels);
    },
    recorded: (planes, table, pixels) => {
      const done = call([...each(planes), table], [pixels], ([r, g, b, by, to]) =>
        run.recorded(r, g, b, pixels.length, by, to),
      );
      if (!done) PLAIN.recorded(planes, table, pixels);
    },
    cube: (planes, bitDepth, cube, pixels) => {
      const fits = CUBE_DEPTHS.has(bitDepth);
      if (fits && unfolded !== cube)
        unfolded = call([cube], [], ([from]) => run.unfold(from, ROOMS.cube)) ? cube : undefined;
      const done =
        fits &&
        unfolded === cube &&
        call(each(planes), [pixels], ([r, g, b, to]) =>
          run.lattice(r, g, b, pixels.length, ROOMS.cube, bitDepth, to, ROOMS.spare),
        );
      if (!done) PLAIN.cube(planes, bitDepth, cube, pixels);
    },
    zebra: (luma, width, table, pixels) => {
      const done = call([luma, table], [pixels], ([from, by, to]) =>
        run.zebra(from, width, luma.length / width, by, to),
      );
      if (!done) PLAIN.zebra(luma, width, table, pixels);
    },
  };
};
