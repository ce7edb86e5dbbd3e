import { serveHand } from '#core/kernels/control.ts';
import type { KernelExports } from '#core/kernels/exports.ts';
import type { HandStart } from './hand.ts';

/** One message, then this thread waits for work in shared memory until it is ended. */
globalThis.addEventListener('message', ({ data }: MessageEvent<HandStart>) => {
  const { kernels, memory, control, names } = data;
  const { exports } = new WebAssembly.Instance(kernels, { env: { memory } });
  void serveHand(control, names, exports as unknown as KernelExports);
});
