import type { Frame, Planes, YcbcrSource } from '../frame/frame.ts';
import type { ScreenCube } from '../lut/screenCube.ts';
import type { MarkCells } from '../scopes/marks.ts';
import type { Waveform, WaveformLayout } from '../scopes/waveform.ts';
import type { LumaId, LumaWeights } from '../signal/luma.ts';
import type { Coding } from '../signal/scale.ts';

/**
 * The pixel loops, in one of two forms that give the same numbers. Results are written to arrays of the caller; counts
 * are added to what is there. Arrays from `u8`, `u16` and `u32` are reached without copying.
 */
export type Kernels = {
  readonly id: 'plain' | 'wasm';
  /** Makes room for so many bytes of arrays; those taken before must not be used any more. */
  readonly room: (bytes: number) => void;
  readonly u8: (length: number) => Uint8Array;
  readonly u16: (length: number) => Uint16Array;
  readonly u32: (length: number) => Uint32Array;
  /** Sets counts to nothing; a browser fills shared arrays ten times slower. */
  readonly clear: (counts: Uint16Array | Uint32Array) => void;
  /** Bytes to 16-bit samples. */
  readonly widen: (bytes: Uint8Array, out: Uint16Array) => void;
  /** Each `every`-th sample of each `every`-th row. */
  readonly thin: (plane: Uint16Array, width: number, every: number, out: Uint16Array) => void;
  readonly luma: (planes: Planes, bitDepth: number, weights: LumaWeights, out: Uint16Array) => void;
  readonly toRgb: (source: YcbcrSource, width: number, coding: Coding, out: Planes) => void;
  readonly waveform: (plane: Uint16Array, width: number, layout: WaveformLayout, counts: Uint16Array) => void;
  readonly histogram: (waveform: Waveform) => Uint32Array;
  readonly vectorscope: (frame: Frame, matrix: LumaId, counts: Uint32Array) => void;
  readonly vectorscopeOfPlanes: (
    planes: Pick<YcbcrSource, 'cb' | 'cr'>,
    bitDepth: number,
    counts: Uint32Array,
  ) => void;
  readonly cells: (
    frame: Frame,
    luma: Uint16Array,
    clipCode: number,
    floorCode: number,
    cells: MarkCells,
  ) => void;
  /** pixels[i] = table[plane[i]]. */
  readonly falseColour: (plane: Uint16Array, table: Uint32Array, pixels: Uint32Array) => void;
  /** Each channel through a table of bytes. */
  readonly recorded: (planes: Planes, table: Uint8Array, pixels: Uint32Array) => void;
  readonly cube: (planes: Planes, bitDepth: number, cube: ScreenCube, pixels: Uint32Array) => void;
  readonly zebra: (luma: Uint16Array, width: number, table: Uint8Array, pixels: Uint32Array) => void;
};
