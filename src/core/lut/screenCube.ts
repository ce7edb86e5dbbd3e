import type { Triple } from '../colour/matrix.ts';
import type { Planes } from '../frame/frame.ts';
import { sampleLattice } from './lattice.ts';

/** Points along an edge. */
export const CUBE_SIZE = 33;
/** What a byte of the screen is worth in the cube's whole numbers. */
const STEP = 128;
/** A place is 16 bits: five of cell over eleven of fraction. */
const FRACTION = 11;
const UNIT = 1 << FRACTION;
const PLACE_BITS = 16;

/**
 * Screen bytes times 128 at each point and half a byte, so that cutting off rounds; four 16-bit numbers a point, red
 * fastest, the fourth opaque.
 */
export type ScreenCube = Int16Array;

/** A transform of codes (0..1 of full code) to screen values 0..1, on the lattice that the kernels draw with. */
export const screenCube = (toScreen: (rgb: Triple) => Triple): ScreenCube => {
  const { data } = sampleLattice(CUBE_SIZE, toScreen);
  const cube = new Int16Array((data.length / 3) * 4);
  const point = (v: number) => Math.round(255 * STEP * Math.min(1, Math.max(0, v))) + STEP / 2;
  for (let i = 0, at = 0; i < data.length; i += 3, at += 4) {
    for (let c = 0; c < 3; c += 1) cube[at + c] = point(data[i + c]);
    cube[at + 3] = point(1);
  }
  return cube;
};

const [STEP_R, STEP_G, STEP_B] = [4, 4 * CUBE_SIZE, 4 * CUBE_SIZE ** 2];
/** Axis stepped first (its fraction is largest) and last, by the bits y > x, z > y, z > x; two outcomes cannot be. */
const FIRST_STEP = Int32Array.of(STEP_R, STEP_G, STEP_R, STEP_B, STEP_B, STEP_G, STEP_B, STEP_B);
const LAST_STEP = Int32Array.of(STEP_B, STEP_B, STEP_G, STEP_G, STEP_G, STEP_R, STEP_G, STEP_R);

/** Codes through the cube, tetrahedral, to RGBA bytes; codes of 8 to 16 bits. The plain form of the kernel. */
export const drawCube = (
  { r, g, b }: Planes,
  bitDepth: number,
  cube: ScreenCube,
  pixels: Uint32Array,
): void => {
  // Repeating a code's bits spreads 0..2^n-1 over 0..65535.
  const up = PLACE_BITS - bitDepth;
  const down = 2 * bitDepth - PLACE_BITS;
  const dr = STEP_R;
  const dg = STEP_G;
  const db = STEP_B;
  const mask = UNIT - 1;
  const n = r.length;
  for (let i = 0; i < n; i += 1) {
    const pr = (r[i] << up) | (r[i] >> down);
    const pg = (g[i] << up) | (g[i] >> down);
    const pb = (b[i] << up) | (b[i] >> down);
    const x = pr & mask;
    const y = pg & mask;
    const z = pb & mask;
    const o = (pr >> FRACTION) * dr + (pg >> FRACTION) * dg + (pb >> FRACTION) * db;
    // The order of the fractions in three bits, without a branch: noise would make each one a coin toss.
    const xy = x - y;
    const yz = y - z;
    const xz = x - z;
    const order = (xy >>> 31) | ((yz >>> 31) << 1) | ((xz >>> 31) << 2);
    const e = o + dr + dg + db;
    const a = o + FIRST_STEP[order];
    const c = e - LAST_STEP[order];
    const over = x - (xy & (xy >> 31));
    const under = y + (xy & (xy >> 31));
    const high = over - ((over - z) & ((over - z) >> 31));
    const low = z + ((under - z) & ((under - z) >> 31));
    const middle = x + y + z - high - low;
    const w0 = UNIT - high;
    const w1 = high - middle;
    const w2 = middle - low;
    const red = (w0 * cube[o] + w1 * cube[a] + w2 * cube[c] + low * cube[e]) >> 18;
    const green = (w0 * cube[o + 1] + w1 * cube[a + 1] + w2 * cube[c + 1] + low * cube[e + 1]) >> 18;
    const blue = (w0 * cube[o + 2] + w1 * cube[a + 2] + w2 * cube[c + 2] + low * cube[e + 2]) >> 18;
    pixels[i] = 0xff000000 | (blue << 16) | (green << 8) | red;
  }
};
