const OPAQUE: u32 = 0xff000000;
const WHITE: u32 = 0xffffffff;
const FLAME: u32 = 0xff52b2f4;

@inline
function code(plane: usize, i: i32): usize {
  return <usize>load<u16>(plane + (<usize>i << 1));
}

/** pixels[i] = table[luma[i]], 32 bits each. */
export function falseColour(plane: usize, n: i32, table: usize, pixels: usize): void {
  const whole = n & ~3;
  for (let i = 0; i < whole; i += 4) {
    const four = load<u64>(plane + (<usize>i << 1));
    const at = pixels + (<usize>i << 2);
    store<u32>(at, load<u32>(table + (<usize>(four & 0xffff) << 2)));
    store<u32>(at, load<u32>(table + (<usize>((four >> 16) & 0xffff) << 2)), 4);
    store<u32>(at, load<u32>(table + (<usize>((four >> 32) & 0xffff) << 2)), 8);
    store<u32>(at, load<u32>(table + (<usize>(four >> 48) << 2)), 12);
  }
  for (let i = whole; i < n; i += 1)
    store<u32>(pixels + (<usize>i << 2), load<u32>(table + (code(plane, i) << 2)));
}

/** Each channel through a table of bytes. */
export function recorded(r: usize, g: usize, b: usize, n: i32, table: usize, pixels: usize): void {
  for (let i = 0; i < n; i += 1) {
    const red = <u32>load<u8>(table + code(r, i));
    const green = <u32>load<u8>(table + code(g, i));
    const blue = <u32>load<u8>(table + code(b, i));
    store<u32>(pixels + (<usize>i << 2), OPAQUE | (blue << 16) | (green << 8) | red);
  }
}

/** Stripes over the pixels whose luma's table entry is 1 (fine, white) or 2 (broad, flame). */
export function zebra(plane: usize, width: i32, height: i32, table: usize, pixels: usize): void {
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    const luma = plane + (<usize>row << 1);
    const whole = width & ~3;
    for (let x = 0; x < width; x += 1) {
      if (x < whole && (x & 3) == 0) {
        const four = load<u64>(luma + (<usize>x << 1));
        const any =
          load<u8>(table + <usize>(four & 0xffff)) | load<u8>(table + <usize>((four >> 16) & 0xffff)) |
          load<u8>(table + <usize>((four >> 32) & 0xffff)) | load<u8>(table + <usize>(four >> 48));
        if (any == 0) {
          x += 3;
          continue;
        }
      }
      const kind = load<u8>(table + code(luma, x));
      if (kind == 0) continue;
      const at = pixels + (<usize>(row + x) << 2);
      if (kind == 1) {
        const phase = (x + y) & 7;
        if (phase < 2) store<u32>(at, WHITE);
        else if (phase == 2) store<u32>(at, OPAQUE);
      } else {
        const phase = (x - y) & 15;
        if (phase < 6) store<u32>(at, FLAME);
        else if (phase < 8) store<u32>(at, OPAQUE);
      }
    }
  }
}

/**
 * Marks of a frame, counted by square cells: counts[kind][cell], kinds being the 16 combinations of red, green and blue
 * at or over clipCode and luma under floorCode. Cells are `cell` pixels wide; 32-bit counts, 16 a cell.
 */
export function cells(
  r: usize, g: usize, b: usize, plane: usize, width: i32, height: i32,
  cell: i32, clipCode: i32, floorCode: i32, counts: usize,
): void {
  const across = (width + cell - 1) / cell;
  const clip = i16x8.splat(<i16>(clipCode - 1));
  const floor = i16x8.splat(<i16>floorCode);
  const one = i16x8.splat(1);
  const two = i16x8.splat(2);
  const four = i16x8.splat(4);
  const eight = i16x8.splat(8);
  for (let y = 0; y < height; y += 1) {
    const row = <usize>(y * width) << 1;
    const base = (y / cell) * across;
    for (let column = 0; column < across; column += 1) {
      const x1 = min(width, (column + 1) * cell);
      const at = counts + (<usize>(base + column) << 6);
      let x = column * cell;
      for (; x + 8 <= x1; x += 8) {
        const p = row + (<usize>x << 1);
        const kind = v128.or(
          v128.or(v128.and(i16x8.gt_s(v128.load(r + p), clip), one), v128.and(i16x8.gt_s(v128.load(g + p), clip), two)),
          v128.or(
          v128.and(i16x8.gt_s(v128.load(b + p), clip), four),
          v128.and(i16x8.lt_s(v128.load(plane + p), floor), eight),
        ),
        );
        if (!v128.any_true(kind)) {
          store<u32>(at, load<u32>(at) + 8);
          continue;
        }
        // The eight kinds as bytes of one word; an area that clips has them all alike.
        let kinds = i64x2.extract_lane(i8x16.narrow_i16x8_u(kind, kind), 0);
        const first = <usize>(kinds & 15);
        if (kinds == <i64>first * 0x0101010101010101) {
          store<u32>(at + (first << 2), load<u32>(at + (first << 2)) + 8);
          continue;
        }
        for (let k = 0; k < 8; k += 1, kinds >>= 8) count(at, <usize>(kinds & 15));
      }
      for (; x < x1; x += 1) count(at, mark(r, g, b, plane, row + (<usize>x << 1), clipCode, floorCode));
    }
  }
}

@inline
function count(at: usize, kind: usize): void {
  store<u32>(at + (kind << 2), load<u32>(at + (kind << 2)) + 1);
}

@inline
function mark(r: usize, g: usize, b: usize, plane: usize, p: usize, clipCode: i32, floorCode: i32): usize {
  return (
    <usize>(<i32>load<u16>(r + p) >= clipCode) |
    (<usize>(<i32>load<u16>(g + p) >= clipCode) << 1) |
    (<usize>(<i32>load<u16>(b + p) >= clipCode) << 2) |
    (<usize>(<i32>load<u16>(plane + p) < floorCode) << 3)
  );
}
