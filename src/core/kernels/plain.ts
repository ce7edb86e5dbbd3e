import { drawCube } from '../lut/screenCube.ts';
import { drawFalseColour } from '../scopes/falseColour.ts';
import { fillLuma } from '../scopes/luma.ts';
import { markCells } from '../scopes/marks.ts';
import { drawByTable } from '../scopes/recorded.ts';
import { thin } from '../scopes/thin.ts';
import { vectorscope, vectorscopeOfPlanes } from '../scopes/vectorscope.ts';
import { countWaveform, histogramOf } from '../scopes/waveform.ts';
import { drawZebra } from '../scopes/zebra.ts';
import { ycbcrToRgb } from '../frame/ycbcr.ts';
import type { Kernels } from './types.ts';

/** The readable form: the reference, and what runs where WASM SIMD is missing. */
export const PLAIN: Kernels = {
  id: 'plain',
  room: () => undefined,
  u8: (length) => new Uint8Array(length),
  u16: (length) => new Uint16Array(length),
  u32: (length) => new Uint32Array(length),
  clear: (counts) => void counts.fill(0),
  widen: (bytes, out) => out.set(bytes),
  thin,
  luma: (planes, _bitDepth, weights, out) => fillLuma(planes, weights, out),
  toRgb: ycbcrToRgb,
  waveform: countWaveform,
  histogram: histogramOf,
  vectorscope,
  vectorscopeOfPlanes,
  cells: markCells,
  falseColour: (plane, table, pixels) => drawFalseColour(pixels, plane, table),
  recorded: (planes, table, pixels) => drawByTable(pixels, planes, table),
  cube: drawCube,
  zebra: (luma, width, table, pixels) => drawZebra(pixels, luma, width, table),
};
