import { makeFrame, type Frame } from '../../frame/frame.ts';
import { maxCode } from '../../signal/scale.ts';

/** A picture sharpened across its edges, in place on its codes: what detail settings do. */
export const sharpened = (frame: Frame, amount: number): Frame => {
  if (amount === 0) return frame;
  const { width, height, r, g, b } = frame;
  const top = maxCode(frame.bitDepth);
  const copy = [r, g, b].map((plane) => plane.slice());
  for (let y = 0; y < height; y += 1)
    for (let x = 1, i = y * width + 1; x < width - 1; x += 1, i += 1) {
      const lift = Math.round(amount * (g[i] - (g[i - 1] + g[i + 1]) / 2));
      copy.forEach((plane) => {
        plane[i] = Math.min(top, Math.max(0, plane[i] + lift));
      });
    }
  const [red, green, blue] = copy;
  return makeFrame({ ...frame, r: red, g: green, b: blue, source: undefined });
};
