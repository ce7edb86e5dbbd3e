import { serveHand } from '#core/kernels/control.ts';
import type { KernelExports } from '#core/kernels/wasm.ts';
import type { HandStart } from './hand.ts';

/** One message, then this thread waits for work in shared memory until it is ended. */
globalThis.addEventListener('message', ({ data }: MessageEvent<HandStart>) => {
  const { module, memory, control, names } = data;
  const { exports } = new WebAssembly.Instance(module, { env: { memory } });
  serveHand(control, names, exports as unknown as KernelExports);
});
