import type { SceneLight } from '../scene/scene.ts';

/** The veil is worked out on a picture so many times smaller: it is wide and soft. */
const SMALLER = 12;
/** Passes of a box blur; three come near a bell. */
const PASSES = 3;

const blurRows = (plane: Float32Array, width: number, height: number, reach: number): Float32Array => {
  const out = new Float32Array(plane.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let sum = 0;
      for (let u = -reach; u <= reach; u += 1)
        sum += plane[y * width + Math.min(width - 1, Math.max(0, x + u))];
      out[x * height + y] = sum / (2 * reach + 1);
    }
  return out;
};

const blurred = (plane: Float32Array, width: number, height: number, reach: number): Float32Array => {
  let now = plane;
  for (let i = 0; i < PASSES; i += 1)
    now = blurRows(blurRows(now, width, height, reach), height, width, reach);
  return now;
};

/**
 * Light through a diffusion filter: `share` of it is taken from where it goes and spread wide over the picture, so that
 * blacks lift and highlights bloom. Light is kept.
 */
export const diffused = ({ width, height, rgb }: SceneLight, share: number): SceneLight => {
  const pixels = width * height;
  const [w, h] = [Math.ceil(width / SMALLER), Math.ceil(height / SMALLER)];
  const out = new Float32Array(rgb.length);
  for (let c = 0; c < 3; c += 1) {
    const small = new Float32Array(w * h);
    const counts = new Float32Array(w * h);
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) {
        const at = Math.floor(y / SMALLER) * w + Math.floor(x / SMALLER);
        small[at] += rgb[c * pixels + y * width + x];
        counts[at] += 1;
      }
    for (let i = 0; i < small.length; i += 1) small[i] /= counts[i];
    const wide = blurred(small, w, h, Math.max(1, Math.round(w / 10)));
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) {
        const i = c * pixels + y * width + x;
        out[i] = (1 - share) * rgb[i] + share * wide[Math.floor(y / SMALLER) * w + Math.floor(x / SMALLER)];
      }
  }
  return { width, height, rgb: out };
};
