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

/** Tetrahedral interpolation; input is clamped to 0..1, output is not. Written out: pictures are made by it. */
export const tetrahedral = ({ size, data }: Lattice, rgb: Triple): Triple => {
  const last = size - 1;
  const r = Math.min(1, Math.max(0, rgb[0])) * last;
  const g = Math.min(1, Math.max(0, rgb[1])) * last;
  const b = Math.min(1, Math.max(0, rgb[2])) * last;
  const [lowR, lowG, lowB] = [
    Math.min(last - 1, Math.floor(r)),
    Math.min(last - 1, Math.floor(g)),
    Math.min(last - 1, Math.floor(b)),
  ];
  const [x, y, z] = [r - lowR, g - lowG, b - lowB];
  const [stepR, stepG, stepB] = [3, 3 * size, 3 * size * size];
  const o = stepR * lowR + stepG * lowG + stepB * lowB;
  const e = o + stepR + stepG + stepB;
  // The axis with the largest fraction is stepped first, the one with the smallest last.
  const first = x >= y && x >= z ? stepR : y >= z ? stepG : stepB;
  const lastly = z <= y && z <= x ? stepB : y <= x ? stepG : stepR;
  const [a, c] = [o + first, e - lastly];
  const high = Math.max(x, y, z);
  const low = Math.min(x, y, z);
  const middle = x + y + z - high - low;
  const [wo, wa, wc] = [1 - high, high - middle, middle - low];
  return [
    wo * data[o] + wa * data[a] + wc * data[c] + low * data[e],
    wo * data[o + 1] + wa * data[a + 1] + wc * data[c + 1] + low * data[e + 1],
    wo * data[o + 2] + wa * data[a + 2] + wc * data[c + 2] + low * data[e + 2],
  ];
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
