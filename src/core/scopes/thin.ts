import type { Frame } from '../frame/frame.ts';

/** Each `every`-th sample of each `every`-th row. The plain form of the kernel. */
export const thin = (plane: Uint16Array, width: number, every: number, out: Uint16Array): void => {
  for (let from = 0, i = 0; from < plane.length; from += every * width)
    for (let x = 0; x < width; x += every, i += 1) out[i] = plane[from + x];
};

/**
 * The picture of each `every`-th pixel of each `every`-th row: enough where it is shown smaller. Its planes
 * lie in `room` where it is large enough. Colour samples are left behind.
 */
export const thinned = (
  run: typeof thin,
  frame: Frame,
  luma: Uint16Array,
  every: number,
  room: Uint8Array,
): { readonly frame: Frame; readonly luma: Uint16Array } => {
  if (every <= 1) return { frame, luma };
  const width = Math.ceil(frame.width / every);
  const height = Math.ceil(frame.height / every);
  const n = width * height;
  const { buffer, byteOffset } = room.length >= 8 * n ? room : new Uint8Array(8 * n);
  const [r, g, b, y] = [frame.r, frame.g, frame.b, luma].map((plane, k) => {
    const out = new Uint16Array(buffer, byteOffset + 2 * n * k, n);
    run(plane, frame.width, every, out);
    return out;
  });
  const { bitDepth, range, feed } = frame;
  return { frame: { width, height, bitDepth, range, feed, r, g, b }, luma: y };
};
