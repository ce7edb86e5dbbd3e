import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { frameOfYcbcr } from '../frame/ofYcbcr.ts';
import { screenCube } from '../lut/screenCube.ts';
import { seededRandom } from '../random.ts';
import { emptyCells } from '../scopes/marks.ts';
import { vectorscopeBits } from '../scopes/vectorscope.ts';
import { waveformLayout } from '../scopes/waveform.ts';
import { CHROMA_THINNING, type Chroma } from '../signal/chroma.ts';
import { LUMA, type LumaId } from '../signal/luma.ts';
import type { Range } from '../signal/scale.ts';
import { PLAIN } from './plain.ts';
import type { KernelExports } from './exports.ts';
import { pairedRun, type Hand } from './pair.ts';
import type { Kernels } from './types.ts';
import { wasmKernels } from './wasm.ts';

const exportsOf = (file: string, memory: WebAssembly.Memory): KernelExports => {
  const compiled = new WebAssembly.Module(readFileSync(`public/kernels/${file}`));
  return new WebAssembly.Instance(compiled, { env: { memory } }).exports as unknown as KernelExports;
};
const load = (file: string, memory: WebAssembly.Memory): Kernels =>
  wasmKernels(exportsOf(file, memory), memory);
/** Both halves one after the other: the second one first, so that neither may count on the other. */
const inHalves = (memory: WebAssembly.Memory): Kernels => {
  const second = exportsOf('scopes-shared.wasm', memory);
  const hand: Hand = {
    isFree: () => true,
    ask: (kernel, args) => second[kernel](...args),
    wait: () => undefined,
  };
  return wasmKernels(pairedRun(exportsOf('scopes-shared.wasm', memory), hand, 0), memory);
};
const shared = () => new WebAssembly.Memory({ initial: 1, maximum: 32768, shared: true });
const FORMS = {
  'own memory': load('scopes.wasm', new WebAssembly.Memory({ initial: 1 })),
  'shared memory': load('scopes-shared.wasm', shared()),
  'two halves': inHalves(shared()),
};

type Shape = { width: number; height: number; bitDepth: number; range: Range; seed: number; kind: number };

/** Noise, the codes at both ends, a ramp, one colour: what makes sums overflow and comparisons slip. */
const codeOf = (kind: number, random: () => number, i: number, top: number): number =>
  [
    Math.floor(random() * (top + 1)),
    random() < 0.5 ? 0 : top,
    i % (top + 1),
    Math.floor(top / 2) + (i % 3) - 1,
    top,
    0,
  ][kind];

const frameOf = ({ width, height, bitDepth, range, seed, kind }: Shape): Frame => {
  const random = seededRandom(seed);
  const top = 2 ** bitDepth - 1;
  const plane = (step: number) =>
    Uint16Array.from({ length: width * height }, (_, i) => codeOf(kind, random, i * step, top));
  return makeFrame({ width, height, bitDepth, range, r: plane(1), g: plane(3), b: plane(7) });
};

const shapes = fc.record({
  width: fc.integer({ min: 1, max: 150 }),
  // Now and then enough rows for two halves of whole sixteens.
  height: fc.oneof(
    { weight: 4, arbitrary: fc.integer({ min: 1, max: 20 }) },
    { weight: 1, arbitrary: fc.integer({ min: 32, max: 70 }) },
  ),
  bitDepth: fc.constantFrom(8, 10, 12, 16),
  range: fc.constantFrom<Range>('legal', 'full'),
  seed: fc.integer({ min: 1, max: 1e6 }),
  kind: fc.integer({ min: 0, max: 5 }),
});

type Task = (kernels: Kernels, frame: Frame, shape: Shape) => ArrayLike<number>;

const cube = screenCube(([r, g, b]) => [r ** 0.4, 0.7 * g + 0.2 * r, 1 - b]);

const chromaTask =
  (chroma: Chroma): Task =>
  (kernels, { width, height, bitDepth, range, r, g, b }) => {
    const [u, v] = CHROMA_THINNING[chroma];
    const n = Math.ceil(width / u) * Math.ceil(height / v);
    const out = { r: kernels.u16(r.length), g: kernels.u16(r.length), b: kernels.u16(r.length) };
    const source = { y: r, cb: g.slice(0, n), cr: b.slice(0, n), chroma, matrix: 'bt2020' } as const;
    kernels.toRgb(source, width, { bitDepth, range }, out);
    return [...out.r, ...out.g, ...out.b];
  };

const vectorscopeTask =
  (matrix: LumaId): Task =>
  (kernels, frame) => {
    const counts = kernels.u32(4 ** vectorscopeBits(frame.bitDepth).bits).fill(0);
    kernels.vectorscope(frame, matrix, counts);
    return counts;
  };

const waveformTask =
  (columnsOf: (width: number) => number): Task =>
  (kernels, { width, height, bitDepth, g }) => {
    const layout = waveformLayout(width, height, bitDepth, columnsOf(width));
    const counts = kernels.u16(layout.columns * layout.stride).fill(0);
    kernels.waveform(g, width, layout, counts);
    return [...counts, ...kernels.histogram({ ...layout, counts })];
  };

const drawn =
  (draw: (kernels: Kernels, frame: Frame, pixels: Uint32Array) => void): Task =>
  (kernels, frame) => {
    const pixels = kernels.u32(frame.r.length).fill(0xff808080);
    draw(kernels, frame, pixels);
    return pixels;
  };

const thinTask =
  (every: number): Task =>
  (kernels, { r, width, height }) => {
    const out = kernels.u16(Math.ceil(width / every) * Math.ceil(height / every));
    kernels.thin(r, width, every, out);
    return out;
  };

const codesOf = ({ bitDepth }: Frame) => 2 ** bitDepth;

const TASKS: Record<string, Task> = {
  luma: (kernels, frame) => {
    const out = kernels.u16(frame.r.length);
    kernels.luma(frame, frame.bitDepth, LUMA.bt709, out);
    return out;
  },
  'bytes to samples': (kernels, { r }) => {
    const out = kernels.u16(r.length);
    kernels.widen(Uint8Array.from(r), out);
    return out;
  },
  'counts set to nothing': (kernels, { width }) => {
    const counts = kernels.u32(width).fill(7);
    kernels.clear(counts.subarray(1));
    return counts;
  },
  'each second sample': thinTask(2),
  'each third sample': thinTask(3),
  '4:2:0 to RGB': chromaTask('4:2:0'),
  '4:2:2 to RGB': chromaTask('4:2:2'),
  '4:4:4 to RGB': chromaTask('4:4:4'),
  'waveform, a column a pixel': waveformTask((width) => width),
  'waveform, fewer columns': waveformTask((width) => Math.ceil(width / 3)),
  'vectorscope BT.709': vectorscopeTask('bt709'),
  'vectorscope BT.2020': vectorscopeTask('bt2020'),
  'vectorscope of planes': (kernels, { r, g, bitDepth }) => {
    const counts = kernels.u32(4 ** vectorscopeBits(bitDepth).bits).fill(0);
    kernels.vectorscopeOfPlanes({ cb: r, cr: g }, bitDepth, counts);
    return counts;
  },
  'marks by cells': (kernels, frame, { seed }) => {
    const cells = emptyCells(frame.width, frame.height);
    const top = codesOf(frame) - 1;
    kernels.cells(frame, frame.g, (seed % (top + 1)) + 0.5, (seed * 7) % (top + 1), cells);
    return cells.counts;
  },
  'false colour': drawn((kernels, frame, pixels) =>
    kernels.falseColour(
      frame.g,
      Uint32Array.from({ length: codesOf(frame) }, (_, i) => i * 2654435761),
      pixels,
    ),
  ),
  'as recorded': drawn((kernels, frame, pixels) =>
    kernels.recorded(
      frame,
      Uint8Array.from({ length: codesOf(frame) }, (_, i) => i * 7),
      pixels,
    ),
  ),
  cube: drawn((kernels, frame, pixels) => kernels.cube(frame, frame.bitDepth, cube, pixels)),
  zebra: drawn((kernels, frame, pixels) =>
    kernels.zebra(
      frame.g,
      frame.width,
      Uint8Array.from({ length: codesOf(frame) }, (_, i) => [0, 0, 1, 2][(i >> 2) & 3]),
      pixels,
    ),
  ),
};

/** First place at which two results differ; -1 when they are the same. */
const difference = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  if (a.length !== b.length) return Math.min(a.length, b.length);
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return i;
  return -1;
};

describe.each(Object.entries(FORMS))('the SIMD kernels, %s', (_, wasm) => {
  it.each(Object.entries(TASKS))('%s: the same as the plain form, arrays from anywhere', (__, task) => {
    wasm.room(4_000_000);
    fc.assert(
      fc.property(shapes, (shape) => {
        const frame = frameOf(shape);
        wasm.room(0);
        expect(difference(task(wasm, frame, shape), task(PLAIN, frame, shape))).toBe(-1);
      }),
      { numRuns: 60 },
    );
  });

  it('works in place on planes taken from its memory', () => {
    const frame = frameOf({ width: 64, height: 9, bitDepth: 10, range: 'legal', seed: 5, kind: 0 });
    wasm.room(1_000_000);
    const [r, g, b, y] = [0, 1, 2, 3].map(() => wasm.u16(64 * 9));
    r.set(frame.r);
    g.set(frame.g);
    b.set(frame.b);
    wasm.luma({ r, g, b }, 10, LUMA.bt709, y);
    const plain = new Uint16Array(64 * 9);
    PLAIN.luma(frame, 10, LUMA.bt709, plain);
    expect(difference(y, plain)).toBe(-1);
    expect(y.buffer).toBe(r.buffer);
  });

  it('says so when an array is asked without room, and goes the plain way for a picture that does not fit', () => {
    wasm.room(1000);
    expect(() => wasm.u8(2 ** 31)).toThrow(RangeError);
    const frame = frameOf({ width: 4000, height: 2000, bitDepth: 10, range: 'legal', seed: 5, kind: 2 });
    const out = new Uint16Array(8_000_000);
    wasm.luma(frame, 10, LUMA.bt709, out);
    const plain = new Uint16Array(8_000_000);
    PLAIN.luma(frame, 10, LUMA.bt709, plain);
    expect(difference(out, plain)).toBe(-1);
  });
});

describe('Y′CbCr to R′G′B′ in whole numbers', () => {
  // BT.709-6 clause 3.3 in floating point, the equations themselves.
  it.each(['bt709', 'bt2020', 'bt601'] as const)('%s: within one code of the equations', (matrix) => {
    const { kr, kg, kb } = LUMA[matrix];
    const random = seededRandom(3);
    const plane = () => Uint16Array.from({ length: 500 }, () => 200 + Math.floor(random() * 600));
    const source = { y: plane(), cb: plane(), cr: plane(), chroma: '4:4:4', matrix } as const;
    const frame = frameOfYcbcr(source, 500, { bitDepth: 10, range: 'legal' });
    source.y.forEach((y, i) => {
      const luma = (y - 64) / 876;
      const [blue, red] = [(source.cb[i] - 512) / 896, (source.cr[i] - 512) / 896];
      const r = luma + (2 - 2 * kr) * red;
      const b = luma + (2 - 2 * kb) * blue;
      const g = (luma - kr * r - kb * b) / kg;
      [r, g, b].forEach((v, c) => {
        const code = Math.min(1023, Math.max(0, 64 + 876 * v));
        expect(Math.abs([frame.r, frame.g, frame.b][c][i] - code)).toBeLessThan(1);
      });
    });
  });
});
