/** Eight samples of luma or full chroma; or four of thinned chroma, each twice. */
@inline
function chroma(row: usize, x: i32, across: i32): v128 {
  if (across == 0) return v128.load(row + (<usize>x << 1));
  const four = v128.load64_zero(row + <usize>x);
  return v128.shuffle<i16>(four, four, 0, 0, 1, 1, 2, 2, 3, 3);
}

@inline
function sample(row: usize, i: i32): i32 {
  return <i32>load<u16>(row + (<usize>i << 1));
}

@inline
function sum(cb: v128, cr: v128, weights: v128, y: v128, top: v128): v128 {
  const half = i32x4.splat(8192);
  const pairsLow = v128.shuffle<i16>(cb, cr, 0, 8, 1, 9, 2, 10, 3, 11);
  const pairsHigh = v128.shuffle<i16>(cb, cr, 4, 12, 5, 13, 6, 14, 7, 15);
  const low = i32x4.shr_s(i32x4.add(i32x4.dot_i16x8_s(pairsLow, weights), half), 14);
  const high = i32x4.shr_s(i32x4.add(i32x4.dot_i16x8_s(pairsHigh, weights), half), 14);
  return i16x8.min_s(i16x8.max_s(i16x8.add(y, i16x8.narrow_i32x4_s(low, high)), i16x8.splat(0)), top);
}

/**
 * Y'CbCr planes to R'G'B' codes: channel = held(Y' + ((wb (Cb - middle) + wr (Cr - middle) + half) >> 14)). Chroma is
 * 2^across and 2^down times sparser.
 */
export function toRgb(
  y: usize, cb: usize, cr: usize, width: i32, height: i32, across: i32, down: i32,
  middle: i32, top: i32, rr: i32, gb: i32, gr: i32, bb: i32, outR: usize, outG: usize, outB: usize,
): void {
  const mid = i16x8.splat(<i16>middle);
  const tops = i16x8.splat(<i16>top);
  const red = i32x4.splat(rr << 16);
  const green = i32x4.splat((gb & 0xffff) | (gr << 16));
  const blue = i32x4.splat(bb & 0xffff);
  const columns = (width + across) >> across;
  const whole = width & ~7;
  for (let row = 0; row < height; row += 1) {
    const luma = y + (<usize>(row * width) << 1);
    const blueRow = cb + (<usize>((row >> down) * columns) << 1);
    const redRow = cr + (<usize>((row >> down) * columns) << 1);
    const out = <usize>(row * width) << 1;
    for (let x = 0; x < whole; x += 8) {
      const l = v128.load(luma + (<usize>x << 1));
      const u = i16x8.sub(chroma(blueRow, x, across), mid);
      const v = i16x8.sub(chroma(redRow, x, across), mid);
      const at = out + (<usize>x << 1);
      v128.store(outR + at, sum(u, v, red, l, tops));
      v128.store(outG + at, sum(u, v, green, l, tops));
      v128.store(outB + at, sum(u, v, blue, l, tops));
    }
    for (let x = whole; x < width; x += 1) {
      const l = sample(luma, x);
      const u = sample(blueRow, x >> across) - middle;
      const v = sample(redRow, x >> across) - middle;
      const at = out + (<usize>x << 1);
      store<u16>(outR + at, <u16>max(0, min(top, l + ((rr * v + 8192) >> 14))));
      store<u16>(outG + at, <u16>max(0, min(top, l + ((gb * u + gr * v + 8192) >> 14))));
      store<u16>(outB + at, <u16>max(0, min(top, l + ((bb * u + 8192) >> 14))));
    }
  }
}

/** Counts of (Cb, Cr) samples as they are: counts[(cr >> shift) * bins + (cb >> shift)], bins = 2^bits. */
export function vectorscopeOfPlanes(cb: usize, cr: usize, n: i32, counts: usize, bits: i32, shift: i32): void {
  for (let i = 0; i < n; i += 1) {
    const at = <usize>i << 1;
    const u = <u32>load<u16>(cb + at) >> shift;
    const v = <u32>load<u16>(cr + at) >> shift;
    const p = counts + (<usize>((v << bits) + u) << 2);
    store<u32>(p, load<u32>(p) + 1);
  }
}

/** Bytes to 16-bit samples. */
export function widen(bytes: usize, n: i32, out: usize): void {
  const whole = n & ~15;
  for (let i = 0; i < whole; i += 16) {
    const sixteen = v128.load(bytes + <usize>i);
    const at = out + (<usize>i << 1);
    v128.store(at, i16x8.extend_low_i8x16_u(sixteen));
    v128.store(at, i16x8.extend_high_i8x16_u(sixteen), 16);
  }
  for (let i = whole; i < n; i += 1) store<u16>(out + (<usize>i << 1), <u16>load<u8>(bytes + <usize>i));
}

/** Each `every`-th sample of each `every`-th row. */
export function thin(plane: usize, width: i32, height: i32, every: i32, out: usize): void {
  const step = <usize>every << 1;
  for (let y = 0; y < height; y += every) {
    let from = plane + (<usize>(y * width) << 1);
    const end = from + (<usize>width << 1);
    for (; from < end; from += step, out += 2) store<u16>(out, load<u16>(from));
  }
}

/** Sets so many bytes of counts to nothing. */
export function clear(counts: usize, bytes: i32): void {
  memory.fill(counts, 0, bytes);
}

/** Adds 32-bit counts to others, place by place; n is a multiple of four. */
export function add(counts: usize, more: usize, n: i32): void {
  const bytes = <usize>n << 2;
  for (let at: usize = 0; at < bytes; at += 16)
    v128.store(counts + at, i32x4.add(v128.load(counts + at), v128.load(more + at)));
}
