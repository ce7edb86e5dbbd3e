import { buildSync } from 'esbuild';
import { readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeFrame } from '../frame/frame.ts';
import { seededRandom } from '../random.ts';
import { waveformLayout } from '../scopes/waveform.ts';
import { LUMA } from '../signal/luma.ts';
import { controlBuffer, handOver } from './control.ts';
import type { KernelExports, KernelName } from './exports.ts';
import { pairedRun, type Hand } from './pair.ts';
import { PLAIN } from './plain.ts';
import type { Kernels } from './types.ts';
import { wasmKernels } from './wasm.ts';

const kernels = new WebAssembly.Module(readFileSync('public/kernels/scopes-shared.wasm'));
const names = WebAssembly.Module.exports(kernels).map(({ name }) => name) as KernelName[];
const exportsOver = (memory: WebAssembly.Memory) =>
  new WebAssembly.Instance(kernels, { env: { memory } }).exports as unknown as KernelExports;

/** A real second thread, as the browser's worker is one. */
const startThread = (memory: WebAssembly.Memory, control: SharedArrayBuffer): Worker => {
  const { outputFiles } = buildSync({
    stdin: {
      contents: `
        import { workerData } from 'node:worker_threads';
        import { serveHand } from './control.ts';
        const { kernels, memory, control, names } = workerData;
        const { exports } = new WebAssembly.Instance(kernels, { env: { memory } });
        // Node hears of what is waited for only when its loop turns.
        setInterval(() => undefined, 1);
        void serveHand(control, names, exports);`,
      resolveDir: 'src/core/kernels',
      loader: 'ts',
    },
    bundle: true,
    platform: 'node',
    format: 'cjs',
    write: false,
  });
  return new Worker(outputFiles[0].text, { eval: true, workerData: { kernels, memory, control, names } });
};

const WIDTH = 640;
const HEIGHT = 361;
const random = seededRandom(15);
const plane = () => Uint16Array.from({ length: WIDTH * HEIGHT }, () => Math.floor(1024 * random()));
const frame = makeFrame({
  width: WIDTH,
  height: HEIGHT,
  bitDepth: 10,
  range: 'legal',
  r: plane(),
  g: plane(),
  b: plane(),
});

const pairedOver = (memory: WebAssembly.Memory, hand: Hand, leastPixels?: number) =>
  wasmKernels(pairedRun(exportsOver(memory), hand, leastPixels), memory);

/** Luma, a waveform and the pairs of colour, as one form of the kernels counts them. */
const countedBy = (kernels: Kernels) => {
  kernels.room(40_000_000);
  const luma = kernels.u16(frame.r.length);
  kernels.luma(frame, 10, LUMA.bt709, luma);
  const layout = waveformLayout(WIDTH, HEIGHT, 10, WIDTH);
  const columns = kernels.u16(layout.columns * layout.stride);
  kernels.clear(columns);
  kernels.waveform(luma, WIDTH, layout, columns);
  const pairs = kernels.u32(512 * 512);
  kernels.clear(pairs);
  kernels.vectorscope(frame, 'bt709', pairs);
  const sum = kernels.histogram({ ...layout, counts: columns });
  const bytesOf = ({ buffer, byteOffset, byteLength }: Uint16Array | Uint32Array) =>
    Buffer.from(Buffer.from(buffer, byteOffset, byteLength));
  return Buffer.concat([luma, columns, pairs, sum].map(bytesOf));
};

describe('a second thread over the same memory', () => {
  const memory = new WebAssembly.Memory({ initial: 1, maximum: 32_768, shared: true });
  const control = controlBuffer();
  const hand = handOver(control, names);
  let thread: Worker;
  beforeAll(async () => {
    thread = startThread(memory, control);
    while (!hand.isFree()) await new Promise((resolve) => setTimeout(resolve, 5));
  });
  afterAll(() => thread.terminate());

  it('counts what one thread counts, fifty times over, and takes part in it', () => {
    let asked = 0;
    const watched = {
      ...hand,
      ask: (...work: Parameters<typeof hand.ask>) => ((asked += 1), hand.ask(...work)),
    };
    const paired = pairedOver(memory, watched);
    const expected = countedBy(PLAIN);
    for (let round = 0; round < 50; round += 1) expect(countedBy(paired).equals(expected)).toBe(true);
    // Of each round: luma, waveform, vectorscope, histogram.
    expect(asked).toBe(200);
  });

  it('leaves what is small to one', () => {
    const none = { ...hand, ask: () => expect.unreachable() };
    const paired = pairedOver(memory, none, WIDTH * HEIGHT + 1);
    const luma = paired.u16(frame.r.length);
    paired.luma(frame, 10, LUMA.bt709, luma);
    expect(luma[1]).toBeGreaterThan(0);
  });
});

describe('a second thread that does not come', () => {
  it('is not asked: one does it all', () => {
    const memory = new WebAssembly.Memory({ initial: 1, maximum: 32_768, shared: true });
    const one = pairedOver(memory, handOver(controlBuffer(), names));
    expect(countedBy(one).equals(countedBy(PLAIN))).toBe(true);
  });

  it('or goes in the middle of its work: that is told once, then one does it all', async () => {
    const memory = new WebAssembly.Memory({ initial: 1, maximum: 32_768, shared: true });
    const control = controlBuffer();
    const hand = handOver(control, names, 50);
    const thread = startThread(memory, control);
    while (!hand.isFree()) await new Promise((resolve) => setTimeout(resolve, 5));
    await thread.terminate();
    const paired = pairedOver(memory, hand);
    expect(() => countedBy(paired)).toThrow('second thread');
    expect(hand.isFree()).toBe(false);
    expect(countedBy(paired).equals(countedBy(PLAIN))).toBe(true);
  });
});
