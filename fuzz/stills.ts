import type { Frame } from '../src/core/frame/frame.ts';

/** A DPX of 10 bit, one word a pixel (SMPTE ST 268, packing 1). */
export const dpxFile = ({ width, height, r, g, b }: Frame): Uint8Array => {
  const bytes = new Uint8Array(2048 + 4 * width * height);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, 0x53445058);
  view.setUint32(4, 2048);
  view.setUint16(770, 1);
  view.setUint32(772, width);
  view.setUint32(776, height);
  bytes[800] = 50;
  bytes[803] = 10;
  view.setUint16(804, 1);
  view.setUint32(808, 2048);
  r.forEach((red, i) => view.setUint32(2048 + 4 * i, ((red << 22) | (g[i] << 12) | (b[i] << 2)) >>> 0));
  return bytes;
};

/** A TIFF of 16 bit in one strip, not compressed (TIFF 6.0). */
export const tiffFile = ({ width, height, r, g, b }: Frame): Uint8Array => {
  const fields: readonly (readonly [tag: number, type: number, value: number])[] = [
    [256, 4, width],
    [257, 4, height],
    [258, 3, 16],
    [259, 3, 1],
    [262, 3, 2],
    [273, 4, 8],
    [277, 3, 3],
    [278, 4, height],
    [279, 4, width * height * 6],
  ];
  const directory = 8 + width * height * 6;
  const bytes = new Uint8Array(directory + 2 + 12 * fields.length + 4);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, directory, true);
  [r, g, b].forEach((plane, c) =>
    plane.forEach((code, i) => view.setUint16(8 + 6 * i + 2 * c, code * 64, true)),
  );
  view.setUint16(directory, fields.length, true);
  fields.forEach(([tag, type, value], n) => {
    const at = directory + 2 + 12 * n;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, 1, true);
    if (type === 3) view.setUint16(at + 8, value, true);
    else view.setUint32(at + 8, value, true);
  });
  return bytes;
};
