/** Points along an edge, and bytes of a point: four 16-bit values, red first; the fourth is opaque. */
const SIZE: i32 = 33;
const POINT: i32 = 8;
const STEP_R: i32 = POINT;
const STEP_G: i32 = POINT * SIZE;
const STEP_B: i32 = POINT * SIZE * SIZE;

@inline
function interleaved(a: usize, b: usize): v128 {
  return v128.shuffle<i16>(v128.load64_zero(a), v128.load64_zero(b), 0, 8, 1, 9, 2, 10, 3, 11);
}

/**
 * A 33-point cube laid out by tetrahedra: for each of the 32^3 cells (red fastest) eight entries of 32 bytes,
 * one for each outcome of y > x, z > y, z > x; an entry holds its four corners in two interleaved pairs. 8
 * MB.
 */
export function unfold(cube: usize, out: usize): void {
  for (let b = 0; b < SIZE - 1; b += 1)
    for (let g = 0; g < SIZE - 1; g += 1)
      for (let r = 0; r < SIZE - 1; r += 1) {
        const o = cube + <usize>(r * STEP_R + g * STEP_G + b * STEP_B);
        const e = o + <usize>(STEP_R + STEP_G + STEP_B);
        for (let order = 0; order < 8; order += 1) {
          const yx = order & 1;
          const zy = order & 2;
          const zx = order & 4;
          const first = yx ? (zy ? STEP_B : STEP_G) : zx ? STEP_B : STEP_R;
          const last = zx ? (yx ? STEP_R : STEP_G) : zy ? STEP_G : STEP_B;
          v128.store(out, interleaved(o, o + <usize>first));
          v128.store(out + 16, interleaved(e - <usize>last, e));
          out += 32;
        }
      }
}

/** 16-bit places of eight codes: five bits of cell over eleven of fraction, by repeating the code's bits. */
@inline
function placed(plane: usize, up: i32, down: i32): v128 {
  const codes = v128.load(plane);
  return v128.or(i16x8.shl(codes, up), i16x8.shr_u(codes, down));
}

@inline
function weighted(table: usize, at: i32, first: v128, last: v128): v128 {
  return i32x4.shr_s(
    i32x4.add(
      i32x4.dot_i16x8_s(v128.load(table + <usize>at), first),
      i32x4.dot_i16x8_s(v128.load(table + <usize>at, 16), last),
    ),
    18,
  );
}

/** Four pixels whose entries' offsets and pairs of weights lie at `work` + 0, 32 and 64: read back one by one, which is
 * quicker than taking lanes apart. */
@inline
function four(table: usize, work: usize): v128 {
  const p0 = weighted(table, load<i32>(work), v128.load32_splat(work, 32), v128.load32_splat(work, 64));
  const p1 = weighted(table, load<i32>(work, 4), v128.load32_splat(work, 36), v128.load32_splat(work, 68));
  const p2 = weighted(table, load<i32>(work, 8), v128.load32_splat(work, 40), v128.load32_splat(work, 72));
  const p3 = weighted(table, load<i32>(work, 12), v128.load32_splat(work, 44), v128.load32_splat(work, 76));
  return i8x16.narrow_i16x8_u(i16x8.narrow_i32x4_s(p0, p1), i16x8.narrow_i32x4_s(p2, p3));
}

/**
 * Eight pixels from codes at byte `from` of the planes to 32 bytes at `to`. `mask` is 2047 and `unit` 2048 in
 * every lane: held outside the loop; other constants are done without.
 */
@inline
function eight(
  r: usize, g: usize, b: usize, table: usize, up: i32, down: i32, to: usize, work: usize, mask: v128, unit: v128,
): void {
  const pr = placed(r, up, down);
  const pg = placed(g, up, down);
  const pb = placed(b, up, down);
  const x = v128.and(pr, mask);
  const y = v128.and(pg, mask);
  const z = v128.and(pb, mask);
  const cell = v128.or(
    i16x8.shr_u(pr, 11),
    v128.or(i16x8.shl(i16x8.shr_u(pg, 11), 5), i16x8.shl(i16x8.shr_u(pb, 11), 10)),
  );
  // A comparison that holds is -1: together they are -(y > x) - 2 (z > y) - 4 (z > x).
  const order = i16x8.add(i16x8.gt_s(y, x), i16x8.add(i16x8.shl(i16x8.gt_s(z, y), 1), i16x8.shl(i16x8.gt_s(z, x), 2)));
  const low = i16x8.sub(i16x8.shl(cell, 8), i16x8.shl(order, 5));
  const high = i16x8.shr_u(cell, 8);
  const more = i16x8.max_s(x, y);
  const less = i16x8.min_s(x, y);
  const most = i16x8.max_s(more, z);
  const least = i16x8.min_s(less, z);
  const middle = i16x8.max_s(less, i16x8.min_s(more, z));
  const w0 = i16x8.sub(unit, most);
  const w1 = i16x8.sub(most, middle);
  const w2 = i16x8.sub(middle, least);
  v128.store(work, v128.shuffle<i16>(low, high, 0, 8, 1, 9, 2, 10, 3, 11));
  v128.store(work, v128.shuffle<i16>(low, high, 4, 12, 5, 13, 6, 14, 7, 15), 16);
  v128.store(work, v128.shuffle<i16>(w0, w1, 0, 8, 1, 9, 2, 10, 3, 11), 32);
  v128.store(work, v128.shuffle<i16>(w0, w1, 4, 12, 5, 13, 6, 14, 7, 15), 48);
  v128.store(work, v128.shuffle<i16>(w2, least, 0, 8, 1, 9, 2, 10, 3, 11), 64);
  v128.store(work, v128.shuffle<i16>(w2, least, 4, 12, 5, 13, 6, 14, 7, 15), 80);
  v128.store(to, four(table, work));
  v128.store(to, four(table, work + 16), 16);
}

/**
 * Codes of 8, 10 or 12 bits through an unfolded cube, tetrahedral, to RGBA bytes: (sum of weights and
 * corners) >> 18. `spare` is 192 bytes of room: the last pixels are done in it, and what is worked with lies
 * behind.
 */
export function lattice(
  r: usize, g: usize, b: usize, n: i32, table: usize, bits: i32, pixels: usize, spare: usize,
): void {
  const work = spare + 96;
  const whole = n & ~7;
  const mask = i16x8.splat(2047);
  const unit = i16x8.splat(2048);
  // The same loop thrice: a shift by a constant is one instruction, by a variable three.
  if (bits == 10)
    for (let i = 0; i < whole; i += 8) {
      const at = <usize>i << 1;
      eight(r + at, g + at, b + at, table, 6, 4, pixels + (<usize>i << 2), work, mask, unit);
    }
  else if (bits == 8)
    for (let i = 0; i < whole; i += 8) {
      const at = <usize>i << 1;
      eight(r + at, g + at, b + at, table, 8, 0, pixels + (<usize>i << 2), work, mask, unit);
    }
  else
    for (let i = 0; i < whole; i += 8) {
      const at = <usize>i << 1;
      eight(r + at, g + at, b + at, table, 4, 8, pixels + (<usize>i << 2), work, mask, unit);
    }
  if (whole == n) return;
  const rest = <usize>(n - whole);
  memory.fill(spare, 0, 96);
  memory.copy(spare, r + (<usize>whole << 1), rest << 1);
  memory.copy(spare + 16, g + (<usize>whole << 1), rest << 1);
  memory.copy(spare + 32, b + (<usize>whole << 1), rest << 1);
  eight(spare, spare + 16, spare + 32, table, 16 - bits, 2 * bits - 16, spare + 48, work, mask, unit);
  memory.copy(pixels + (<usize>whole << 2), spare + 48, rest << 2);
}
