import type { Frame, Rect } from '../frame/frame.ts';

// Small grey pictures and how well a part of one fits into another: normalised cross-correlation (J. P. Lewis, Fast
// Normalized Cross-Correlation, 1995), blind to how bright either picture is and to how much contrast it has.

/** A grey picture of floats, made small. */
export type Small = { readonly width: number; readonly height: number; readonly luma: Float32Array };

/** A picture with sums of its luma and of its squares over all that lies above and left of each pixel. */
export type Summed = Small & { readonly sums: Float64Array; readonly squares: Float64Array };

export const summed = (picture: Small): Summed => {
  const { width, height, luma } = picture;
  const wide = width + 1;
  const [sums, squares] = [new Float64Array(wide * (height + 1)), new Float64Array(wide * (height + 1))];
  for (let y = 0; y < height; y += 1) {
    let [sum, square] = [0, 0];
    for (let x = 0; x < width; x += 1) {
      const value = luma[y * width + x];
      sum += value;
      square += value * value;
      const at = (y + 1) * wide + x + 1;
      sums[at] = sums[at - wide] + sum;
      squares[at] = squares[at - wide] + square;
    }
  }
  return { ...picture, sums, squares };
};

/** A template whose mean is 0, with the root of its sum of squares; undefined where it is even. */
export type Template = Small & { readonly length: number };

export const templateOf = (small: Small): Template | undefined => {
  const count = small.luma.length;
  const mean = small.luma.reduce((sum, value) => sum + value, 0) / count;
  const luma = small.luma.map((value) => value - mean);
  const squares = luma.reduce((sum, value) => sum + value * value, 0);
  // Flatter than a code of deviation there is nothing to know it by.
  return squares <= count ? undefined : { ...small, luma, length: Math.sqrt(squares) };
};

/** The luma of a frame, averaged down to a width; a smaller frame stays as it is. */
export const smallOf = ({ r, g, b, width, height }: Frame, to: number): Small => {
  const scale = Math.min(1, to / width);
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const luma = new Float32Array(w * h);
  for (let y = 0; y < h; y += 1) {
    const [y0, y1] = [Math.floor((y * height) / h), Math.max(1, Math.floor(((y + 1) * height) / h))];
    for (let x = 0; x < w; x += 1) {
      const [x0, x1] = [Math.floor((x * width) / w), Math.max(1, Math.floor(((x + 1) * width) / w))];
      let sum = 0;
      for (let v = y0; v < y1; v += 1)
        for (let i = v * width + x0; i < v * width + x1; i += 1) sum += r[i] + 2 * g[i] + b[i];
      luma[y * w + x] = sum / (4 * (y1 - y0) * (x1 - x0));
    }
  }
  return { width: w, height: h, luma };
};

export const cut = ({ width, luma }: Small, { x, y, width: w, height: h }: Rect): Small => {
  const out = new Float32Array(w * h);
  for (let v = 0; v < h; v += 1) out.set(luma.subarray((y + v) * width + x, (y + v) * width + x + w), v * w);
  return { width: w, height: h, luma: out };
};

/** Correlation of a template with the picture at a place, -1..1; 0 where the picture is even. */
export const correlation = (picture: Summed, template: Template, left: number, top: number): number => {
  const { width: w, height: h, luma: look } = template;
  const count = w * h;
  const wide = picture.width + 1;
  const [a, b] = [top * wide + left, (top + h) * wide + left];
  const over = (of: Float64Array) => of[b + w] - of[b] - of[a + w] + of[a];
  const sum = over(picture.sums);
  const varied = over(picture.squares) - (sum * sum) / count;
  if (varied <= count) return 0;
  let product = 0;
  for (let v = 0, t = 0; v < h; v += 1) {
    const row = (top + v) * picture.width + left;
    for (let u = 0; u < w; u += 1, t += 1) product += picture.luma[row + u] * look[t];
  }
  return product / (Math.sqrt(varied) * template.length);
};

/** A small picture in another size, straight between its pixels; made smaller, averaged. */
export const resampled = (from: Small, width: number, height: number): Small => {
  const luma = new Float32Array(width * height);
  const [sx, sy] = [from.width / width, from.height / height];
  const [nx, ny] = [Math.max(1, Math.round(sx)), Math.max(1, Math.round(sy))];
  const at = (x: number, y: number) => {
    const u = Math.min(from.width - 1, Math.max(0, x));
    const v = Math.min(from.height - 1, Math.max(0, y));
    const i = Math.min(from.width - 2, Math.floor(u));
    const j = Math.min(from.height - 2, Math.floor(v));
    const f = u - i;
    const k = j * from.width + i;
    const upper = from.luma[k] * (1 - f) + from.luma[k + 1] * f;
    const lower = from.luma[k + from.width] * (1 - f) + from.luma[k + from.width + 1] * f;
    return upper + (lower - upper) * (v - j);
  };
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let sum = 0;
      for (let v = 0; v < ny; v += 1)
        for (let u = 0; u < nx; u += 1)
          sum += at((x + (u + 0.5) / nx) * sx - 0.5, (y + (v + 0.5) / ny) * sy - 0.5);
      luma[y * width + x] = sum / (nx * ny);
    }
  return { width, height, luma };
};

/** A small picture averaged down to a width; a smaller one stays as it is. */
export const thinnedTo = (from: Small, width: number): Small =>
  from.width <= width
    ? from
    : resampled(from, width, Math.max(2, Math.round((from.height * width) / from.width)));
