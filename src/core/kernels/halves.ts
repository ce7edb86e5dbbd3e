import type { KernelName } from './exports.ts';
import { ROOMS } from './rooms.ts';

type Args = readonly number[];
/** Arguments of the two halves. */
type Halves = readonly [first: Args, second: Args];

type Row = {
  /** How many pixels a call is about. */
  readonly pixels: (args: Args) => number;
  readonly split: (args: Args) => Halves;
  /** Place of the table that the whole picture is counted into; how many counts it has. */
  readonly counted?: { readonly table: number; readonly length: (args: Args) => number };
};

/** Half of them in whole units: stripes, chroma and SIMD meet where they would in one piece. */
const half = (n: number, unit = 16): number => Math.floor(n / 2 / unit) * unit;
/** Columns that the waveform counts side by side. */
const TILE = 64;
/** Bytes of a cell's sixteen counts. */
const CELL_BYTES = 64;

type Change = readonly [place: number, value: number];
const put = (args: Args, ...changes: readonly Change[]): Args => {
  const out = [...args];
  for (const [place, value] of changes) out[place] = value;
  return out;
};
const moved = (args: Args, ...changes: readonly Change[]): Args =>
  put(args, ...changes.map(([place, by]) => [place, args[place] + by] as const));

/** Pixels one after another: their number at one place, arrays of so many bytes a pixel at others. */
const inLine = (count: number, ...arrays: readonly Change[]) => ({
  pixels: (args: Args) => args[count],
  split: (args: Args): Halves => {
    const n = half(args[count]);
    const further = arrays.map(([place, bytes]) => [place, bytes * n] as const);
    return [put(args, [count, n]), put(moved(args, ...further), [count, args[count] - n])];
  },
});

const lattice = inLine(3, [0, 2], [1, 2], [2, 2], [6, 4]);

/**
 * How a kernel's work is done by two threads at once; places are those of the arguments in assembly/. A kernel
 * that is not here is done by one.
 */
export const HALVES: { readonly [name in KernelName]?: Row } = {
  luma: inLine(4, [0, 2], [1, 2], [2, 2], [3, 2]),
  widen: inLine(1, [0, 1], [2, 2]),
  falseColour: inLine(1, [0, 2], [3, 4]),
  recorded: inLine(3, [0, 2], [1, 2], [2, 2], [5, 4]),
  lattice: {
    ...lattice,
    split: (args) => {
      const [first, second] = lattice.split(args);
      return [first, put(second, [7, ROOMS.secondSpare])];
    },
  },
  vectorscope: {
    ...inLine(3, [0, 2], [1, 2], [2, 2]),
    counted: { table: 4, length: (args) => 4 ** args[5] },
  },
  vectorscopeOfPlanes: {
    ...inLine(2, [0, 2], [1, 2]),
    counted: { table: 3, length: (args) => 4 ** args[4] },
  },
  histogram: {
    pixels: (args) => args[1] * args[2],
    split: (args) => {
      const [, columns, stride] = args;
      const first = half(columns);
      return [put(args, [1, first]), put(moved(args, [0, 2 * first * stride]), [1, columns - first])];
    },
    counted: { table: 4, length: (args) => args[3] },
  },
  toRgb: {
    pixels: (args) => args[3] * args[4],
    split: (args) => {
      const [, , , width, height, across, down] = args;
      const rows = half(height);
      const codes = 2 * rows * width;
      const chroma = 2 * (rows >> down) * ((width + across) >> across);
      const further = moved(
        args,
        [0, codes],
        [1, chroma],
        [2, chroma],
        [13, codes],
        [14, codes],
        [15, codes],
      );
      return [put(args, [4, rows]), put(further, [4, height - rows])];
    },
  },
  zebra: {
    pixels: (args) => args[1] * args[2],
    split: (args) => {
      const [, width, height] = args;
      const rows = half(height);
      const further = moved(args, [0, 2 * rows * width], [4, 4 * rows * width]);
      return [put(args, [2, rows]), put(further, [2, height - rows])];
    },
  },
  cells: {
    pixels: (args) => args[4] * args[5],
    split: (args) => {
      const [, , , , width, height, cell] = args;
      const rows = half(height, cell);
      const codes = 2 * rows * width;
      const counts = CELL_BYTES * (rows / cell) * Math.ceil(width / cell);
      const further = moved(args, [0, codes], [1, codes], [2, codes], [3, codes], [9, counts]);
      return [put(args, [5, rows]), put(further, [5, height - rows])];
    },
  },
  // By columns: their counts lie apart.
  waveform: {
    pixels: (args) => args[1] * args[2],
    split: (args) => {
      const [, , , from, to] = args;
      const middle = from + half(to - from, TILE);
      return [put(args, [4, middle]), put(args, [3, middle])];
    },
  },
};
