import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { HandStart } from './hand.ts';
import { startHand } from './hand.ts';

const FREE = 1;
/** (module (func (export "luma"))): enough of a module to have a name. */
const MODULE = new WebAssembly.Module(
  new Uint8Array([
    0, 97, 115, 109, 1, 0, 0, 0, 1, 4, 1, 96, 0, 0, 3, 2, 1, 0, 7, 8, 1, 4, 108, 117, 109, 97, 0, 0, 10, 4, 1,
    2, 0, 11,
  ]),
);

beforeEach(() => {
  vi.stubGlobal('navigator', { hardwareConcurrency: 2 });
});
afterEach(() => {
  vi.unstubAllGlobals();
});

/** A thread that says it is there and then does nothing. */
const idle = () => {
  const terminate = vi.fn();
  const postMessage = ({ control }: HandStart) => Atomics.store(new Int32Array(control, 0, 1), 0, FREE);
  return { terminate, worker: { postMessage, terminate } as unknown as Worker };
};

it('a second thread that does not answer is ended: what it does late must not be written', () => {
  const { terminate, worker } = idle();
  const memory = new WebAssembly.Memory({ initial: 1, maximum: 1, shared: true });
  const hand = startHand(MODULE, memory, () => worker, 20);
  if (!hand) throw new Error('no second thread');
  expect(hand.isFree()).toBe(true);
  hand.ask('luma' as Parameters<typeof hand.ask>[0], []);
  expect(terminate).not.toHaveBeenCalled();
  expect(() => hand.wait()).toThrow('does not answer');
  expect(terminate).toHaveBeenCalledTimes(1);
  expect(hand.isFree()).toBe(false);
});

it('while a feed runs on two processors it rests, on four it does not', () => {
  const memory = new WebAssembly.Memory({ initial: 1, maximum: 1, shared: true });
  for (const [processors, isFree] of [
    [2, false],
    [4, true],
  ] as const) {
    vi.stubGlobal('navigator', { hardwareConcurrency: processors });
    const hand = startHand(MODULE, memory, () => idle().worker);
    hand?.onLive(true);
    expect(hand?.isFree()).toBe(isFree);
    hand?.onLive(false);
    expect(hand?.isFree()).toBe(true);
  }
});
