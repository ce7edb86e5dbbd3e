/** Pixel columns counted side by side: their counts together stay in the second-level cache. */
const TILE: i32 = 64;
/** Counts a column keeps for 1024 levels; no power of two, so that columns do not share cache lines. */
const STRIDE: i32 = 1056;

@inline
function bump(at: usize): void {
  store<u16>(at, load<u16>(at) + 1);
}

/** Eight neighbouring pixels into eight neighbouring columns of STRIDE. */
@inline
function bumpEight(base: usize, levels: v128): void {
  bump(base + <usize>i16x8.extract_lane_u(levels, 0));
  bump(base + 2 * STRIDE + <usize>i16x8.extract_lane_u(levels, 1));
  bump(base + 4 * STRIDE + <usize>i16x8.extract_lane_u(levels, 2));
  bump(base + 6 * STRIDE + <usize>i16x8.extract_lane_u(levels, 3));
  bump(base + 8 * STRIDE + <usize>i16x8.extract_lane_u(levels, 4));
  bump(base + 10 * STRIDE + <usize>i16x8.extract_lane_u(levels, 5));
  bump(base + 12 * STRIDE + <usize>i16x8.extract_lane_u(levels, 6));
  bump(base + 14 * STRIDE + <usize>i16x8.extract_lane_u(levels, 7));
}

/**
 * counts[start[x] + (code >> shift)] += 1 for each pixel of columns from..to of a plane; `start` holds a 32-bit offset
 * a pixel column, in counts. `direct`: columns are pixels and STRIDE apart.
 */
export function waveform(
  plane: usize, width: i32, height: i32, from: i32, to: i32, shift: i32, start: usize, counts: usize, direct: bool,
): void {
  for (let x0 = from; x0 < to; x0 += TILE) {
    const x1 = min(to, x0 + TILE);
    const whole = direct ? x0 + ((x1 - x0) & ~7) : x0;
    for (let y = 0; y < height; y += 1) {
      const row = plane + (<usize>(y * width) << 1);
      let x = x0;
      for (; x < whole; x += 8) {
        const levels = i16x8.shl(i16x8.shr_u(v128.load(row + (<usize>x << 1)), shift), 1);
        bumpEight(counts + (<usize>(x * STRIDE) << 1), levels);
      }
      for (; x < x1; x += 1) {
        const level = <u32>load<u16>(row + (<usize>x << 1)) >> shift;
        bump(counts + (<usize>(load<u32>(start + (<usize>x << 2)) + level) << 1));
      }
    }
  }
}

/** sum[level] of all columns; levels is a multiple of eight. */
export function histogram(counts: usize, columns: i32, stride: i32, levels: i32, sum: usize): void {
  memory.fill(sum, 0, <usize>levels << 2);
  for (let column = 0; column < columns; column += 1) {
    const base = counts + (<usize>(column * stride) << 1);
    for (let level = 0; level < levels; level += 8) {
      const eight = v128.load(base + (<usize>level << 1));
      const at = sum + (<usize>level << 2);
      v128.store(at, i32x4.add(v128.load(at), i32x4.extend_low_i16x8_u(eight)));
      v128.store(at + 16, i32x4.add(v128.load(at + 16), i32x4.extend_high_i16x8_u(eight)));
    }
  }
}
