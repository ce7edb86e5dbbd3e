import { AS_STILL, SCENE_CODE } from '#core/scene/light.ts';

/** Codes that the mean over a neighbourhood must differ by to count as changed: 0.03 stop. */
const CHANGED = (0.03 * SCENE_CODE.top) / (SCENE_CODE.under + SCENE_CODE.over);
const REACH = 3;

type Place = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/**
 * A window of a walk with everything that is as in the still left out: only the walker and the shadow stay,
 * and what the renderer's noise would make flicker does not. Interleaved codes; `still` is `stillWidth` wide.
 */
export const onlyChanged = (
  window: Uint16Array,
  { x, y, width, height }: Place,
  still: Uint16Array,
  stillWidth: number,
): Uint16Array => {
  // Signed differences of green: noise averages out, a walker does not.
  const off = new Float32Array(width * height);
  for (let v = 0, i = 0; v < height; v += 1)
    for (let u = 0; u < width; u += 1, i += 1)
      off[i] = window[3 * i + 1] - still[3 * ((y + v) * stillWidth + x + u) + 1];
  const out = window.slice();
  for (let v = 0, i = 0; v < height; v += 1)
    for (let u = 0; u < width; u += 1, i += 1) {
      let sum = 0;
      let count = 0;
      for (let dv = Math.max(0, v - REACH); dv <= Math.min(height - 1, v + REACH); dv += 1)
        for (let du = Math.max(0, u - REACH); du <= Math.min(width - 1, u + REACH); du += 1) {
          sum += off[dv * width + du];
          count += 1;
        }
      if (Math.abs(sum / count) < CHANGED && Math.abs(off[i]) < 4 * CHANGED)
        out.fill(AS_STILL, 3 * i, 3 * i + 3);
    }
  return out;
};
