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

/** A second thread, and whether it may work while a feed runs. */
export type LiveHand = Hand & { readonly onLive: (isLive: boolean) => void };

/** A feed's own pictures, the browser that draws them and the worker leave none of two processors idle: measured. */
const ENOUGH_FOR_LIVE = 4;

/**
 * A second thread for the kernels of a shared memory, which comes when it is ready; undefined where there is one
 * processor, or no such thread to be had.
 */
export const startHand = (
  kernels: WebAssembly.Module,
  memory: WebAssembly.Memory,
  spawn = spawnHand,
  patience?: number,
): LiveHand | undefined => {
  if (navigator.hardwareConcurrency < 2) return undefined;
  try {
    const worker = spawn();
    const names = WebAssembly.Module.exports(kernels).map(({ name }) => name) as KernelName[];
    const control = controlBuffer();
    worker.postMessage({ kernels, memory, control, names } satisfies HandStart);
    const hand = handOver(control, names, patience);
    let isLive = false;
    return {
      ...hand,
      isFree: () => !isLive && hand.isFree(),
      wait: () => {
        try {
          hand.wait();
        } catch (error) {
          // What comes late would be written over the next picture's.
          worker.terminate();
          throw error;
        }
      },
      onLive: (is) => {
        isLive = is && navigator.hardwareConcurrency < ENOUGH_FOR_LIVE;
      },
    };
  } catch {
    return undefined;
  }
};
