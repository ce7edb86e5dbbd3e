import type { Triple } from '../maths/matrix.ts';
import { atOnce, type InParts } from '../inParts.ts';

/** A cube of colours, size^3 triples, red fastest; input domain 0..1 on each channel. */
export type Lattice = { readonly size: number; readonly data: Float32Array };

/** `sampleLattice` row by row. */
export function* sampleLatticeInParts(size: number, transform: (rgb: Triple) => Triple): InParts<Lattice> {
  if (!Number.isInteger(size) || size < 2 || size > 129)
    throw new RangeError(`sampleLattice: size 2..129, got ${size}`);
  const data = new Float32Array(size ** 3 * 3);
  const last = size - 1;
  let at = 0;
  for (let b = 0; b < size; b += 1) {
    for (let g = 0; g < size; g += 1) {
      for (let r = 0; r < size; r += 1) {
        const out = transform([r / last, g / last, b / last]);
        data[at] = out[0];
        data[at + 1] = out[1];
        data[at + 2] = out[2];
        at += 3;
      }
      yield;
    }
  }
  return { size, data };
}

/**
 * Samples `transform` (0..1 triples in, triples out, not clamped) on a size^3 lattice.
 * @throws RangeError unless size is a whole number from 2 to 129.
 */
export const sampleLattice = atOnce(sampleLatticeInParts);

type Cell = { readonly base: number; readonly fraction: Triple; readonly step: Triple };

const cellOf = ({ size }: Lattice, rgb: Triple): Cell => {
  const last = size - 1;
  const place = (v: number) => {
    const p = Math.min(1, Math.max(0, v)) * last;
    const low = Math.min(last - 1, Math.floor(p));
    return [low, p - low] as const;
  };
  const [r, fr] = place(rgb[0]);
  const [g, fg] = place(rgb[1]);
  const [b, fb] = place(rgb[2]);
  return {
    base: 3 * (r + size * (g + size * b)),
    fraction: [fr, fg, fb],
    step: [3, 3 * size, 3 * size * size],
  };
};

/** Tetrahedral interpolation; input is clamped to 0..1, output is not. */
export const tetrahedral = (lattice: Lattice, rgb: Triple): Triple => {
  const { base, fraction, step } = cellOf(lattice, rgb);
  const order = [0, 1, 2].sort((i, j) => fraction[j] - fraction[i]);
  const [i, j, k] = order;
  const corners = [base, base + step[i], base + step[i] + step[j], base + step[0] + step[1] + step[2]];
  const weights = [1 - fraction[i], fraction[i] - fraction[j], fraction[j] - fraction[k], fraction[k]];
  const channel = (c: number) =>
    corners.reduce((sum, corner, n) => sum + weights[n] * lattice.data[corner + c], 0);
  return [channel(0), channel(1), channel(2)];
};

/** Trilinear interpolation; input is clamped to 0..1, output is not. */
export const trilinear = (lattice: Lattice, rgb: Triple): Triple => {
  const { base, fraction, step } = cellOf(lattice, rgb);
  const channel = (c: number) => {
    let sum = 0;
    for (let corner = 0; corner < 8; corner += 1) {
      let weight = 1;
      let at = base + c;
      for (let axis = 0; axis < 3; axis += 1) {
        const up = (corner >> axis) & 1;
        weight *= up ? fraction[axis] : 1 - fraction[axis];
        at += up * step[axis];
      }
      sum += weight * lattice.data[at];
    }
    return sum;
  };
  return [channel(0), channel(1), channel(2)];
};
