import type { Frame } from '../frame/frame.ts';

/** Each `every`-th pixel of each `every`-th row: enough for a picture that is shown smaller. Colour samples are left behind. */
export const thinned = (
  frame: Frame,
  luma: Uint16Array,
  every: number,
): { readonly frame: Frame; readonly luma: Uint16Array } => {
  if (every <= 1) return { frame, luma };
  const width = Math.ceil(frame.width / every);
  const height = Math.ceil(frame.height / every);
  const pick = (plane: Uint16Array) => {
    const out = new Uint16Array(width * height);
    for (let y = 0, i = 0; y < height; y += 1) {
      const row = y * every * frame.width;
      for (let x = 0, at = row; x < width; x += 1, at += every, i += 1) out[i] = plane[at];
    }
    return out;
  };
  const { bitDepth, range, feed } = frame;
  return {
    frame: { width, height, bitDepth, range, feed, r: pick(frame.r), g: pick(frame.g), b: pick(frame.b) },
    luma: pick(luma),
  };
};
