import { LUMA } from '#core/signal/luma.ts';

/** A picture's pixels as a screen has them. */
type Shown = { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray };

const { kr, kg, kb } = LUMA.bt709;

/** How often each place of a scope is met, row by row. */
export type Trace = { readonly width: number; readonly height: number; readonly counts: Uint32Array };

const lumaOf = (data: Uint8ClampedArray, i: number) => kr * data[i] + kg * data[i + 1] + kb * data[i + 2];

/** Luma of each column of a picture, 0 at the bottom and 255 at the top; BT.709's weights. */
export const waveformTrace = ({ width, height, data }: Shown, columns: number, rows: number): Trace => {
  const counts = new Uint32Array(columns * rows);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const row = rows - 1 - Math.round((lumaOf(data, 4 * (y * width + x)) / 255) * (rows - 1));
      counts[row * columns + Math.floor((x * columns) / width)] += 1;
    }
  return { width: columns, height: rows, counts };
};

/** Colour differences of a picture, Cb to the right and Cr up, half of full range at the edge (BT.709-6, item 3.3). */
export const vectorTrace = ({ width, height, data }: Shown, size: number): Trace => {
  const counts = new Uint32Array(size * size);
  const place = (v: number) =>
    Math.min(size - 1, Math.max(0, Math.round(((v / 255 + 0.25) / 0.5) * (size - 1))));
  for (let i = 0; i < 4 * width * height; i += 4) {
    const luma = lumaOf(data, i);
    const cb = (data[i + 2] - luma) / (2 - 2 * kb);
    const cr = (data[i] - luma) / (2 - 2 * kr);
    counts[(size - 1 - place(cr)) * size + place(cb)] += 1;
  }
  return { width: size, height: size, counts };
};
