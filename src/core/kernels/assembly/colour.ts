/** Rows of R, G, B taken by eight: weighted sums as pairs of 16-bit products. */

/** Y' = (wr R + wg G + wb B + half) >> 14. */
export function luma(r: usize, g: usize, b: usize, out: usize, n: i32, wr: i32, wg: i32, wb: i32): void {
  const rg = i32x4.splat((wr & 0xffff) | (wg << 16));
  const b1 = i32x4.splat((wb & 0xffff) | (8192 << 16));
  const one = i16x8.splat(1);
  const whole = n & ~7;
  for (let i = 0; i < whole; i += 8) {
    const at = <usize>i << 1;
    const vr = v128.load(r + at);
    const vg = v128.load(g + at);
    const vb = v128.load(b + at);
    const low = i32x4.add(
      i32x4.dot_i16x8_s(v128.shuffle<i16>(vr, vg, 0, 8, 1, 9, 2, 10, 3, 11), rg),
      i32x4.dot_i16x8_s(v128.shuffle<i16>(vb, one, 0, 8, 1, 9, 2, 10, 3, 11), b1),
    );
    const high = i32x4.add(
      i32x4.dot_i16x8_s(v128.shuffle<i16>(vr, vg, 4, 12, 5, 13, 6, 14, 7, 15), rg),
      i32x4.dot_i16x8_s(v128.shuffle<i16>(vb, one, 4, 12, 5, 13, 6, 14, 7, 15), b1),
    );
    v128.store(out + at, i16x8.narrow_i32x4_u(i32x4.shr_s(low, 14), i32x4.shr_s(high, 14)));
  }
  for (let i = whole; i < n; i += 1) {
    const at = <usize>i << 1;
    const y = wr * load<u16>(r + at) + wg * load<u16>(g + at) + wb * load<u16>(b + at) + 8192;
    store<u16>(out + at, <u16>(y >> 14));
  }
}

@inline
function bump(counts: usize, at: i32): void {
  const p = counts + <usize>at;
  store<u32>(p, load<u32>(p) + 1);
}

@inline
function clamped(v: v128, top: v128): v128 {
  return i32x4.min_s(i32x4.max_s(v, i32x4.splat(0)), top);
}

/**
 * Counts of (Cb, Cr) of R'G'B': each (w . rgb + offset) >> shift, held to 0..bins-1; counts[cr * bins + cb].
 * `bits` is log2 of bins.
 */
export function vectorscope(
  r: usize, g: usize, b: usize, n: i32, counts: usize, bits: i32, shift: i32, offset: i32,
  br: i32, bg: i32, bb: i32, rr: i32, rg: i32, rb: i32,
): void {
  const blueRg = i32x4.splat((br & 0xffff) | (bg << 16));
  const blueB = i32x4.splat(bb & 0xffff);
  const redRg = i32x4.splat((rr & 0xffff) | (rg << 16));
  const redB = i32x4.splat(rb & 0xffff);
  const middle = i32x4.splat(offset);
  const bins = 1 << bits;
  const top = i32x4.splat(bins - 1);
  const zero = i16x8.splat(0);
  const whole = n & ~7;
  for (let i = 0; i < whole; i += 8) {
    const at = <usize>i << 1;
    const vr = v128.load(r + at);
    const vg = v128.load(g + at);
    const vb = v128.load(b + at);
    const rgLow = v128.shuffle<i16>(vr, vg, 0, 8, 1, 9, 2, 10, 3, 11);
    const rgHigh = v128.shuffle<i16>(vr, vg, 4, 12, 5, 13, 6, 14, 7, 15);
    const bLow = v128.shuffle<i16>(vb, zero, 0, 8, 1, 9, 2, 10, 3, 11);
    const bHigh = v128.shuffle<i16>(vb, zero, 4, 12, 5, 13, 6, 14, 7, 15);
    const cbLow = i32x4.add(i32x4.add(i32x4.dot_i16x8_s(rgLow, blueRg), i32x4.dot_i16x8_s(bLow, blueB)), middle);
    const cbHigh = i32x4.add(i32x4.add(i32x4.dot_i16x8_s(rgHigh, blueRg), i32x4.dot_i16x8_s(bHigh, blueB)), middle);
    const crLow = i32x4.add(i32x4.add(i32x4.dot_i16x8_s(rgLow, redRg), i32x4.dot_i16x8_s(bLow, redB)), middle);
    const crHigh = i32x4.add(i32x4.add(i32x4.dot_i16x8_s(rgHigh, redRg), i32x4.dot_i16x8_s(bHigh, redB)), middle);
    const low = i32x4.shl(
    i32x4.add(i32x4.shl(clamped(i32x4.shr_s(crLow, shift), top), bits), clamped(i32x4.shr_s(cbLow, shift), top)),
    2,
  );
    const high = i32x4.shl(
    i32x4.add(i32x4.shl(clamped(i32x4.shr_s(crHigh, shift), top), bits), clamped(i32x4.shr_s(cbHigh, shift), top)),
    2,
  );
    bump(counts, i32x4.extract_lane(low, 0));
    bump(counts, i32x4.extract_lane(low, 1));
    bump(counts, i32x4.extract_lane(low, 2));
    bump(counts, i32x4.extract_lane(low, 3));
    bump(counts, i32x4.extract_lane(high, 0));
    bump(counts, i32x4.extract_lane(high, 1));
    bump(counts, i32x4.extract_lane(high, 2));
    bump(counts, i32x4.extract_lane(high, 3));
  }
  for (let i = whole; i < n; i += 1) {
    const at = <usize>i << 1;
    const cr: i32 = load<u16>(r + at);
    const cg: i32 = load<u16>(g + at);
    const cb: i32 = load<u16>(b + at);
    const u = max(0, min(bins - 1, (br * cr + bg * cg + bb * cb + offset) >> shift));
    const v = max(0, min(bins - 1, (rr * cr + rg * cg + rb * cb + offset) >> shift));
    bump(counts, ((v << bits) + u) << 2);
  }
}
