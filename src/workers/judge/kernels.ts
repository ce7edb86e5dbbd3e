import { PLAIN } from '#core/kernels/plain.ts';
import type { Kernels } from '#core/kernels/types.ts';
import type { KernelExports } from '#core/kernels/exports.ts';
import { pairedRun } from '#core/kernels/pair.ts';
import { wasmKernels } from '#core/kernels/wasm.ts';
import { startHand } from './hand.ts';
import type { KernelsInUse } from './protocol.ts';

/** 2 GB of 64 KB pages: the most a shared memory may be declared with here. */
const MOST_PAGES = 32_768;

type Loaded = { readonly kernels: Kernels; readonly onLive?: (isLive: boolean) => void };

const load = async (shared: boolean, withHand: boolean): Promise<Loaded> => {
  const answer = await fetch(shared ? '/kernels/scopes-shared.wasm' : '/kernels/scopes.wasm');
  if (!answer.ok) throw new Error(`${answer.url} answers ${answer.status}`);
  const memory = shared
    ? new WebAssembly.Memory({ initial: 1, maximum: MOST_PAGES, shared: true })
    : new WebAssembly.Memory({ initial: 1 });
  const { instance, module } = await WebAssembly.instantiate(await answer.arrayBuffer(), { env: { memory } });
  const hand = shared && withHand ? startHand(module, memory) : undefined;
  const run = instance.exports as unknown as KernelExports;
  return { kernels: wasmKernels(hand ? pairedRun(run, hand) : run, memory), onLive: hand?.onLive };
};

/**
 * The SIMD kernels, in shared memory where the page is isolated; the plain form where WASM SIMD or the file
 * is missing, and then the reason.
 */
export const loadKernels = async ({
  withHand = false,
}: {
  /** By two threads where there may be. */
  readonly withHand?: boolean;
} = {}): Promise<Loaded & { readonly inUse: KernelsInUse }> => {
  const shared = globalThis.crossOriginIsolated === true && typeof SharedArrayBuffer !== 'undefined';
  try {
    return { ...(await load(shared, withHand)), inUse: { form: shared ? 'shared' : 'simd' } };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { kernels: PLAIN, inUse: { form: 'plain', why: why.slice(0, 120) } };
  }
};
