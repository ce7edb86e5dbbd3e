import { PLAIN } from '#core/kernels/plain.ts';
import type { Kernels } from '#core/kernels/types.ts';
import { wasmKernels, type KernelExports } from '#core/kernels/wasm.ts';

/** 2 GB of 64 KB pages: the most a shared memory may be declared with here. */
const MOST_PAGES = 32_768;

/**
 * The SIMD kernels, in shared memory where the page is isolated; the plain form where WASM SIMD or the file is missing.
 */
export const loadKernels = async (): Promise<Kernels> => {
  const shared = globalThis.crossOriginIsolated === true && typeof SharedArrayBuffer !== 'undefined';
  try {
    const answer = await fetch(shared ? '/kernels/scopes-shared.wasm' : '/kernels/scopes.wasm');
    if (!answer.ok) return PLAIN;
    const memory = shared
      ? new WebAssembly.Memory({ initial: 1, maximum: MOST_PAGES, shared: true })
      : new WebAssembly.Memory({ initial: 1 });
    const { instance } = await WebAssembly.instantiate(await answer.arrayBuffer(), { env: { memory } });
    return wasmKernels(instance.exports as unknown as KernelExports, memory);
  } catch {
    return PLAIN;
  }
};
