import { controlBuffer, handOver } from '#core/kernels/control.ts';
import type { Hand } from '#core/kernels/pair.ts';
import type { KernelName } from '#core/kernels/exports.ts';

/** All that a second thread needs to take part. */
export type HandStart = {
  readonly kernels: WebAssembly.Module;
  readonly memory: WebAssembly.Memory;
  readonly control: SharedArrayBuffer;
  readonly names: readonly KernelName[];
};

const spawnHand = () => new Worker(new URL('./hand.worker.ts', import.meta.url), { type: 'module' });

/**
 * A second thread for the kernels of a shared memory, which comes when it is ready; undefined where there is one
 * processor, or no such thread to be had.
 */
export const startHand = (
  kernels: WebAssembly.Module,
  memory: WebAssembly.Memory,
  spawn = spawnHand,
): Hand | undefined => {
  if (navigator.hardwareConcurrency < 2) return undefined;
  try {
    const worker = spawn();
    const names = WebAssembly.Module.exports(kernels).map(({ name }) => name) as KernelName[];
    const control = controlBuffer();
    worker.postMessage({ kernels, memory, control, names } satisfies HandStart);
    return handOver(control, names);
  } catch {
    return undefined;
  }
};
