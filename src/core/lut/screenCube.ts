import type { Triple } from '../maths/matrix.ts';
import type { Planes } from '../frame/frame.ts';
import { sampleLattice } from './lattice.ts';

/** Points along an edge. */
const CUBE_SIZE = 33;
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

/** Steps along the axes, in pairs of numbers. */
const [STEP_R, STEP_G, STEP_B] = [2, 2 * CUBE_SIZE, 2 * CUBE_SIZE ** 2];
const CORNER = STEP_R + STEP_G + STEP_B;
/** Axis stepped first (its fraction is largest) and last, by the bits y > x, z > y, z > x; two outcomes cannot be. */
const FIRST_STEP = Int32Array.of(STEP_R, STEP_G, STEP_R, STEP_B, STEP_B, STEP_G, STEP_B, STEP_B);
const LAST_STEP = Int32Array.of(STEP_B, STEP_B, STEP_G, STEP_G, STEP_G, STEP_R, STEP_G, STEP_R);
const LOW = 0xffff;

/**
 * Codes through the cube, tetrahedral, to RGBA bytes; codes of 8 to 16 bits. The plain form of the kernel. Whole-number
 * products by `imul`: engines guard `*` against results that are not 32-bit.
 */
export const drawCube = (
  { r, g, b }: Planes,
  bitDepth: number,
  cube: ScreenCube,
  pixels: Uint32Array,
): void => {
  const { imul, max, min } = Math;
  const first = FIRST_STEP;
  const last = LAST_STEP;
  // Two numbers a read: red and green, then blue and the opaque one. All are positive.
  const pairs = new Int32Array(cube.buffer, cube.byteOffset, cube.length >> 1);
  // Repeating a code's bits spreads 0..2^n-1 over 0..65535.
  const up = PLACE_BITS - bitDepth;
  const down = 2 * bitDepth - PLACE_BITS;
  const mask = UNIT - 1;
  const n = r.length;
  for (let i = 0; i < n; i += 1) {
    const pr = (r[i] << up) | (r[i] >> down);
    const pg = (g[i] << up) | (g[i] >> down);
    const pb = (b[i] << up) | (b[i] >> down);
    const x = pr & mask;
    const y = pg & mask;
    const z = pb & mask;
    // The order of the fractions in three bits, without a branch: noise would make each one a coin toss.
    const order = ((x - y) >>> 31) | (((y - z) >>> 31) << 1) | (((x - z) >>> 31) << 2);
    const o =
      (imul(pr >> FRACTION, STEP_R) + imul(pg >> FRACTION, STEP_G) + imul(pb >> FRACTION, STEP_B)) | 0;
    const e = (o + CORNER) | 0;
    const a = (o + first[order]) | 0;
    const c = (e - last[order]) | 0;
    const high = max(x, y, z);
    const low = min(x, y, z);
    const middle = x + y + z - high - low;
    const wo = UNIT - high;
    const wa = high - middle;
    const wc = middle - low;
    const po = pairs[o];
    const pa = pairs[a];
    const pc = pairs[c];
    const pe = pairs[e];
    const qo = pairs[(o + 1) | 0];
    const qa = pairs[(a + 1) | 0];
    const qc = pairs[(c + 1) | 0];
    const qe = pairs[(e + 1) | 0];
    const red = imul(wo, po & LOW) + imul(wa, pa & LOW) + imul(wc, pc & LOW) + imul(low, pe & LOW);
    const green = imul(wo, po >> 16) + imul(wa, pa >> 16) + imul(wc, pc >> 16) + imul(low, pe >> 16);
    const blue = imul(wo, qo & LOW) + imul(wa, qa & LOW) + imul(wc, qc & LOW) + imul(low, qe & LOW);
    pixels[i] = 0xff000000 | ((blue >> 18) << 16) | ((green >> 18) << 8) | (red >> 18);
  }
};
