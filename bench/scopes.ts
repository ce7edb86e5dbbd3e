// The scopes of one frame in both forms of the kernels: RGB parade and luma waveform at a column a pixel, vectorscope,
// four histograms, zebra, false colour, and a 33-point cube to RGBA.
import type { Frame } from '#core/frame/frame.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import type { Kernels } from '#core/kernels/types.ts';
import type { KernelExports } from '#core/kernels/exports.ts';
import { pairedRun } from '#core/kernels/pair.ts';
import { wasmKernels } from '#core/kernels/wasm.ts';
import { compileMonitoring } from '#core/lut/monitoring.ts';
import { compileProfile, stopsByCode } from '#core/profile/index.ts';
import { falseColourTable } from '#core/scopes/falseColour.ts';
import { cubeFor } from '#core/kernels/picture.ts';
import { waveformLayout } from '#core/scopes/waveform.ts';
import { zebraTable } from '#core/scopes/zebra.ts';
import { LUMA } from '#core/signal/luma.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { startHand } from '#workers/judge/hand.ts';
import { BENCH_PROFILE } from './frame.ts';

const ROUNDS = 9;

export const medianOf = (rounds: number, task: () => unknown): number => {
  for (let i = 0; i < 3; i += 1) task();
  const times = Array.from({ length: rounds }, () => {
    const start = performance.now();
    task();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
};

const tasksOf = (kernels: Kernels, frame: Frame): Record<string, () => void> => {
  kernels.room(120_000_000);
  const pixelsN = frame.width * frame.height;
  const take = (plane: Uint16Array) => {
    const own = kernels.u16(plane.length);
    own.set(plane);
    return own;
  };
  const own: Frame = { ...frame, r: take(frame.r), g: take(frame.g), b: take(frame.b) };
  const luma = kernels.u16(pixelsN);
  const pixels = kernels.u32(pixelsN);
  const layout = waveformLayout(frame.width, frame.height, 10, frame.width);
  const start = kernels.u32(layout.start.length);
  start.set(layout.start);
  const placed = { ...layout, start };
  const counts = [0, 1, 2, 3].map(() => kernels.u16(layout.columns * layout.stride));
  const pairs = kernels.u32(512 * 512);
  const profile = compileProfile(BENCH_PROFILE);
  const stops = stopsByCode(profile, 1024, (code) => codeToSignal(code, frame));
  const colours = falseColourTable(stops, 'viridis');
  const zebras = zebraTable(1024, [{ from: 470, to: 520 }], { from: 850, to: 1023 });
  const cube = cubeFor(compileMonitoring({ profile: BENCH_PROFILE, pullStops: 1 }), frame);
  const wave = (plane: Uint16Array, into: Uint16Array) => {
    kernels.clear(into);
    kernels.waveform(plane, frame.width, placed, into);
  };
  const tasks = {
    luma: () => kernels.luma(own, 10, LUMA.bt709, luma),
    parade: () => [own.r, own.g, own.b].forEach((plane, c) => wave(plane, counts[c])),
    'luma waveform': () => wave(luma, counts[3]),
    vectorscope: () => {
      kernels.clear(pairs);
      kernels.vectorscope(own, 'bt709', pairs);
    },
    histogram: () => counts.forEach((one) => kernels.histogram({ ...layout, counts: one })),
    zebra: () => kernels.zebra(luma, frame.width, zebras, pixels),
    'false colour': () => kernels.falseColour(luma, colours, pixels),
    cube: () => kernels.cube(own, 10, cube, pixels),
  };
  const all = () => {
    tasks.luma();
    tasks.vectorscope();
    tasks['false colour']();
    tasks.cube();
    tasks.zebra();
    tasks.parade();
    tasks['luma waveform']();
    tasks.histogram();
  };
  return { ...tasks, all };
};

const load = async (): Promise<Kernels> => {
  const bytes = await (await fetch('/scopes.wasm')).arrayBuffer();
  const memory = new WebAssembly.Memory({ initial: 1 });
  const { instance } = await WebAssembly.instantiate(bytes, { env: { memory } });
  return wasmKernels(instance.exports as unknown as KernelExports, memory);
};

/** The same by two threads over shared memory, as the app does it; its own second worker. */
const loadPair = async (): Promise<Kernels> => {
  const bytes = await (await fetch('/scopes-shared.wasm')).arrayBuffer();
  const memory = new WebAssembly.Memory({ initial: 1, maximum: 32_768, shared: true });
  const { instance, module } = await WebAssembly.instantiate(bytes, { env: { memory } });
  const hand = startHand(module, memory, () => new Worker('/hand.js'));
  if (!hand) throw new Error('no second thread here');
  while (!hand.isFree()) await new Promise((resolve) => setTimeout(resolve, 5));
  return wasmKernels(pairedRun(instance.exports as unknown as KernelExports, hand), memory);
};

const prepared = new Map<string, Record<string, () => void>>();

/** ms of each task, plain, SIMD and SIMD by two threads, medians of one round. */
export const timeScopes = async (frame: Frame) => {
  if (prepared.size === 0) {
    prepared.set('plain', tasksOf(PLAIN, frame));
    prepared.set('wasm', tasksOf(await load(), frame));
    prepared.set('pair', tasksOf(await loadPair(), frame));
  }
  return [...prepared].flatMap(([form, tasks]) =>
    Object.entries(tasks).map(([name, task]) => ({ form, name, ms: medianOf(ROUNDS, task) })),
  );
};
