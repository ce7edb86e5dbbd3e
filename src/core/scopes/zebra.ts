import type { ZebraSetting } from '../exposure/zebra.ts';

/** Codes between which a zebra shows, both included. */
export type CodeBand = { readonly from: number; readonly to: number };

export const RANGE_ZEBRA = 1;
export const WARNING_ZEBRA = 2;

/** The codes a camera's zebra setting covers. `toCode` takes a level on the camera's scale to a luma code. */
export const zebraBand = (
  setting: ZebraSetting,
  toCode: (level: number) => number,
  topCode: number,
): CodeBand => {
  if (setting.kind === 'lowerLimit') return { from: Math.ceil(toCode(setting.level)), to: topCode };
  const tolerance = setting.tolerance ?? 0;
  return {
    from: Math.ceil(toCode(setting.level - tolerance)),
    to: Math.floor(toCode(setting.level + tolerance)),
  };
};

/** For each code: none, range or warning zebra. The warning wins where both would show. */
export const zebraTable = (codes: number, ranges: readonly CodeBand[], warning?: CodeBand): Uint8Array => {
  const table = new Uint8Array(codes);
  for (const { from, to } of ranges) {
    for (let code = Math.max(0, from); code <= Math.min(codes - 1, to); code += 1) table[code] = RANGE_ZEBRA;
  }
  if (warning) {
    for (let code = Math.max(0, warning.from); code <= Math.min(codes - 1, warning.to); code += 1) {
      table[code] = WARNING_ZEBRA;
    }
  }
  return table;
};

const WHITE = 0xffffffff;
const BLACK = 0xff000000;
/** The accent, #f4b252, as little-endian RGBA. */
const FLAME = 0xff52b2f4;

/**
 * Draws the stripes over RGBA pixels: the range zebra fine and white, leaning right; the warning zebra broad and
 * flame, leaning left. Both with black between, so that they show on any tone.
 */
export const drawZebra = (pixels: Uint32Array, luma: Uint16Array, width: number, table: Uint8Array): void => {
  const n = luma.length;
  for (let row = 0, y = 0; row < n; row += width, y += 1) {
    for (let x = 0; x < width; x += 1) {
      const i = row + x;
      const kind = table[luma[i]];
      if (kind === 0) continue;
      if (kind === RANGE_ZEBRA) {
        const phase = (x + y) & 7;
        if (phase < 2) pixels[i] = WHITE;
        else if (phase === 2) pixels[i] = BLACK;
      } else {
        const phase = (x - y) & 15;
        if (phase < 6) pixels[i] = FLAME;
        else if (phase < 8) pixels[i] = BLACK;
      }
    }
  }
};
