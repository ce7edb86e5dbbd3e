import type { Planes } from '../frame/frame.ts';

/** Colour and stripes of a clipped channel: which pixels of a tile of eight are drawn, so that colour is not needed. */
const CHANNEL_MARKS = {
  r: { colour: 0xff5a64f0, on: (x: number) => x % 8 < 2 },
  g: { colour: 0xff78c85a, on: (_x: number, y: number) => y % 8 < 2 },
  b: { colour: 0xffff8c5a, on: (x: number, y: number) => (x + y) % 8 < 2 },
} as const;

const WHITE = 0xffffffff;
const BLACK = 0xff000000;

/**
 * Marks pixels at or over `clipCode`: red upright, green level and blue leaning stripes; where all three
 * clip, white with black points.
 */
export const drawClipMap = (
  pixels: Uint32Array,
  { r, g, b }: Planes,
  width: number,
  clipCode: number,
): void => {
  const n = pixels.length;
  for (let i = 0, x = 0, y = 0; i < n; i += 1) {
    const red = r[i] >= clipCode;
    const green = g[i] >= clipCode;
    const blue = b[i] >= clipCode;
    if (red && green && blue) pixels[i] = x % 4 === 0 && y % 4 === 0 ? BLACK : WHITE;
    else if (red || green || blue) {
      if (red && CHANNEL_MARKS.r.on(x)) pixels[i] = CHANNEL_MARKS.r.colour;
      if (green && CHANNEL_MARKS.g.on(x, y)) pixels[i] = CHANNEL_MARKS.g.colour;
      if (blue && CHANNEL_MARKS.b.on(x, y)) pixels[i] = CHANNEL_MARKS.b.colour;
    }
    x += 1;
    if (x === width) {
      x = 0;
      y += 1;
    }
  }
};
