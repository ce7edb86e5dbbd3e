import type { Vec } from './shapes.ts';
import type { Model } from './model.ts';
import type { Traced } from './samples.ts';

/** Taps of the à-trous kernel (a B3 spline), from the middle out. */
const TAPS = [3 / 8, 1 / 4, 1 / 16] as const;

export type FilterOptions = {
  /** Passes; each doubles the reach. */
  readonly passes: number;
  /** How unlike in log light neighbours may be, in natural logs. */
  readonly tolerance: number;
  /** The same where a shine lies over something matt: it is sparse, and wide. */
  readonly sheen?: number;
};

const luma = (plane: Float32Array, pixels: number, i: number) =>
  0.2627 * plane[i] + 0.678 * plane[i + pixels] + 0.0593 * plane[i + 2 * pixels];

/**
 * A pixel outside what its eight neighbours on the same solid span is brought to their edge: single paths
 * that were lucky.
 */
export const despeckle = (
  plane: Float32Array,
  { width, height, solid, normal }: Pick<Traced, 'width' | 'height' | 'solid' | 'normal'>,
): Float32Array => {
  const pixels = width * height;
  const out = plane.slice();
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const i = y * width + x;
      let low = Infinity;
      let high = -Infinity;
      let [lowAt, highAt, count] = [i, i, 0];
      for (let v = -1; v <= 1; v += 1)
        for (let u = -1; u <= 1; u += 1) {
          const j = i + v * width + u;
          if (j === i || solid[j] !== solid[i]) continue;
          const facing =
            normal[i] * normal[j] +
            normal[i + pixels] * normal[j + pixels] +
            normal[i + 2 * pixels] * normal[j + 2 * pixels];
          if (facing < 0.6) continue;
          const l = luma(plane, pixels, j);
          count += 1;
          if (l < low) [low, lowAt] = [l, j];
          if (l > high) [high, highAt] = [l, j];
        }
      if (count < 3) continue;
      const own = luma(plane, pixels, i);
      const from = own > high ? highAt : own < low ? lowAt : i;
      for (let c = 0; c < 3; c += 1) out[i + c * pixels] = plane[from + c * pixels];
    }
  return out;
};

/**
 * How bright each pixel is, in natural logs: of the mean of the three by three about it on the same solid, so
 * that a few pixels no path brought light to are no edge.
 */
const brightness = (
  plane: Float32Array,
  { width, height, solid }: Pick<Traced, 'width' | 'height' | 'solid'>,
): Float32Array => {
  const pixels = width * height;
  const lumas = Float32Array.from({ length: pixels }, (_, i) => luma(plane, pixels, i));
  const floor = 1e-6 + (0.01 * lumas.reduce((sum, v) => sum + v, 0)) / pixels;
  return lumas.map((_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    let [sum, count] = [0, 0];
    for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v += 1)
      for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u += 1) {
        const j = v * width + u;
        if (solid[j] !== solid[i]) continue;
        sum += lumas[j];
        count += 1;
      }
    return Math.log(sum / count + floor);
  });
};

/**
 * Edge-stopping à-trous wavelet filter (Dammertz and others 2010): averages light with that of neighbours on the same
 * solid that face the same way, lie at the same depth and are about as bright. Planar, three a pixel; the
 * input is kept.
 */
export const smoothLight = (
  source: Float32Array,
  guide: Pick<Traced, 'width' | 'height' | 'normal' | 'depth' | 'solid' | 'albedo'>,
  { passes, tolerance, sheen = tolerance }: FilterOptions,
): Float32Array => {
  const { width, height, normal, depth, solid, albedo } = guide;
  const pixels = width * height;
  let from: Float32Array = source;
  for (let pass = 0; pass < passes; pass += 1) {
    const step = 1 << pass;
    const to = new Float32Array(source.length);
    const logs = brightness(from, guide);
    const sharp = 1 / (tolerance / 2 ** (pass / 2)) ** 2;
    const soft = 1 / sheen ** 2;
    for (let y = 0, i = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1, i += 1) {
        const strict = albedo[i] === 1 ? sharp : sheen === tolerance ? sharp : soft;
        let [weight, r, g, b] = [0, 0, 0, 0];
        for (let v = -2; v <= 2; v += 1) {
          const row = y + v * step;
          if (row < 0 || row >= height) continue;
          for (let u = -2; u <= 2; u += 1) {
            const column = x + u * step;
            if (column < 0 || column >= width) continue;
            const j = row * width + column;
            if (solid[i] !== solid[j]) continue;
            const facing =
              normal[i] * normal[j] +
              normal[i + pixels] * normal[j + pixels] +
              normal[i + 2 * pixels] * normal[j + 2 * pixels];
            if (facing < 0.8) continue;
            const away = Math.abs(depth[i] - depth[j]) / (0.03 * depth[i] + 0.02);
            const unlike = (logs[i] - logs[j]) ** 2 * strict;
            const w = TAPS[Math.abs(u)] * TAPS[Math.abs(v)] * facing ** 24 * Math.exp(-away - unlike);
            weight += w;
            r += w * from[j];
            g += w * from[j + pixels];
            b += w * from[j + 2 * pixels];
          }
        }
        // A sky or lamp has no normal: it stays as it is.
        const keep = weight > 0 ? 1 / weight : 0;
        to[i] = keep ? r * keep : from[i];
        to[i + pixels] = keep ? g * keep : from[i + pixels];
        to[i + 2 * pixels] = keep ? b * keep : from[i + 2 * pixels];
      }
    from = to;
  }
  return from;
};

/** Natural logs that sparse gleams may differ by. */
const SHEEN = 6;

/** Light by group as the camera saw it: filtered, its reflectance put back, what glows added. Planar, three a pixel. */
export const develop = (traced: Traced, options: FilterOptions): Float32Array[] =>
  traced.light.map((light, g) => {
    const calm = despeckle(despeckle(despeckle(light, traced), traced), traced);
    const smooth = despeckle(smoothLight(calm, traced, options), traced);
    const sparse = despeckle(despeckle(traced.glow[g], traced), traced);
    const glow = smoothLight(sparse, traced, { ...options, passes: options.passes - 1, sheen: SHEEN });
    const seen = traced.direct[g];
    return smooth.map((v, i) => v * traced.albedo[i] + glow[i] + seen[i]);
  });

/** Air or water laid over the layers; what it adds goes to the sky's. In place. */
export const layMedium = (
  layers: readonly Float32Array[],
  depth: Float32Array,
  { medium, skyGroup }: Pick<Model, 'medium' | 'skyGroup'>,
): void => {
  if (!medium) return;
  const pixels = depth.length;
  const keep: Vec = [1, 1, 1];
  const add: Vec = [0, 0, 0];
  for (let i = 0; i < pixels; i += 1) {
    medium(depth[i], keep, add);
    for (let c = 0; c < 3; c += 1) {
      for (const layer of layers) layer[i + c * pixels] *= keep[c];
      layers[skyGroup][i + c * pixels] += add[c];
    }
  }
};
