/**
 * RGBA bytes scaled down to `target` pixels wide by averaging whole source areas; never enlarged.
 * The averages are of display bytes: for thumbnails, not for measuring.
 */
export const shrink = (
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  target: number,
): { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray } => {
  const w = Math.min(width, target);
  const h = Math.max(1, Math.round((height * w) / width));
  const out = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y += 1) {
    const [y0, y1] = [
      Math.floor((y * height) / h),
      Math.max(Math.floor(((y + 1) * height) / h), Math.floor((y * height) / h) + 1),
    ];
    for (let x = 0; x < w; x += 1) {
      const x0 = Math.floor((x * width) / w);
      const x1 = Math.max(x0 + 1, Math.floor(((x + 1) * width) / w));
      const sums = [0, 0, 0, 0];
      for (let sy = y0; sy < y1; sy += 1) {
        for (let at = 4 * (sy * width + x0); at < 4 * (sy * width + x1); at += 4) {
          for (let c = 0; c < 4; c += 1) sums[c] += rgba[at + c];
        }
      }
      const area = (x1 - x0) * (y1 - y0);
      for (let c = 0; c < 4; c += 1) out[4 * (y * w + x) + c] = sums[c] / area;
    }
  }
  return { width: w, height: h, rgba: out };
};
