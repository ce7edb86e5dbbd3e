type Plane = Uint8Array | Uint16Array | Uint32Array | Int16Array;

/** A WebAssembly memory, as far as it is used here. */
export type WasmMemory = {
  readonly buffer: ArrayBufferLike;
  readonly grow: (pages: number) => number;
};

const PAGE = 65536;
/** Room past the last array: SIMD reads whole sixteens. */
const SLACK = 1024;
/** Room for a cube that is copied in, when nothing else is. */
const LEAST = 2 ** 20;
const ALIGN = 64;

const aligned = (bytes: number) => Math.ceil(bytes / ALIGN) * ALIGN;

export type Arena = {
  readonly room: (bytes: number) => void;
  readonly u8: (length: number) => Uint8Array;
  readonly u16: (length: number) => Uint16Array;
  readonly u32: (length: number) => Uint32Array;
  /**
   * Runs a kernel on addresses of the arrays, inputs first. Arrays from elsewhere are copied in behind the taken ones,
   * and outputs copied back. @returns false, with nothing done, when they do not fit.
   */
  readonly call: (
    inputs: readonly Plane[],
    outputs: readonly Plane[],
    kernel: (at: number[]) => void,
  ) => boolean;
};

/** Arrays one after another in a WebAssembly memory, from an address on. */
export const createArena = (memory: WasmMemory, from: number): Arena => {
  const first = aligned(from);
  let top = first;

  const room = (bytes: number) => {
    top = first;
    const missing = first + Math.max(LEAST, bytes) + 2 * SLACK - memory.buffer.byteLength;
    if (missing > 0) memory.grow(Math.ceil(missing / PAGE));
  };
  room(0);

  const take = (bytes: number): number => {
    const at = top;
    top = aligned(top + bytes);
    if (top + SLACK > memory.buffer.byteLength)
      throw new RangeError(`arena: ${bytes} bytes asked, make room for them first`);
    return at;
  };

  return {
    room,
    u8: (length) => new Uint8Array(memory.buffer, take(length), length),
    u16: (length) => new Uint16Array(memory.buffer, take(2 * length), length),
    u32: (length) => new Uint32Array(memory.buffer, take(4 * length), length),
    call: (inputs, outputs, kernel) => {
      const { buffer } = memory;
      let free = top;
      const placed = [...inputs, ...outputs].map((array) => {
        if (array.buffer === buffer) return array.byteOffset;
        const at = free;
        free = aligned(free + array.byteLength);
        return at;
      });
      if (free + SLACK > buffer.byteLength) return false;
      const bytesOf = (array: Plane) => new Uint8Array(array.buffer, array.byteOffset, array.byteLength);
      [...inputs, ...outputs].forEach((array, i) => {
        if (array.buffer !== buffer) new Uint8Array(buffer, placed[i], array.byteLength).set(bytesOf(array));
      });
      kernel(placed);
      outputs.forEach((array, i) => {
        if (array.buffer === buffer) return;
        bytesOf(array).set(new Uint8Array(buffer, placed[inputs.length + i], array.byteLength));
      });
      return true;
    },
  };
};
