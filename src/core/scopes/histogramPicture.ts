import type { Colour } from './waveformPicture.ts';

export type HistogramTrace = {
  /** Pixels at each level. */
  readonly counts: Uint32Array;
  readonly colourOf: (level: number) => Colour;
};

export type HistogramPictureOptions = {
  readonly width: number;
  readonly height: number;
  /** Place of a level on the axis: 0 at the left, 1 at the right edge. */
  readonly placeOfLevel: (level: number) => number;
  readonly brightness?: number;
};

/** Pixels by column of the drawing: each level spread evenly over the columns between its edges. */
const spread = (
  counts: Uint32Array,
  width: number,
  placeOfLevel: (level: number) => number,
): Float64Array => {
  const columns = new Float64Array(width);
  const at = (level: number) => Math.min(width - 1e-6, Math.max(0, placeOfLevel(level) * width));
  counts.forEach((n, level) => {
    if (n === 0) return;
    const from = at(level - 0.5);
    const to = Math.max(from + 1e-6, at(level + 0.5));
    for (let column = Math.floor(from); column <= Math.floor(to) && column < width; column += 1) {
      const overlap = Math.min(to, column + 1) - Math.max(from, column);
      if (overlap > 0) columns[column] += (n * overlap) / (to - from);
    }
  });
  return columns;
};

/** Level at the middle of each column, for its colour. */
const levelsOfColumns = (
  levels: number,
  width: number,
  placeOfLevel: (level: number) => number,
): Int32Array => {
  const out = new Int32Array(width);
  for (let level = 0, column = 0; column < width; column += 1) {
    while (level < levels - 1 && placeOfLevel(level + 0.5) * width < column + 0.5) level += 1;
    out[column] = level;
  }
  return out;
};

/**
 * Histograms as areas standing on the lower edge, their height the square root of the share, so that small
 * peaks stay seen; several add up in colour. What lies beyond the axis is gathered in its outermost columns.
 * @returns RGBA bytes.
 */
export const histogramPicture = (
  traces: readonly HistogramTrace[],
  { width, height, placeOfLevel, brightness = 1 }: HistogramPictureOptions,
): Uint8ClampedArray => {
  const rgba = new Uint8ClampedArray(width * height * 4);
  const drawn = traces.map((trace) => ({ ...trace, columns: spread(trace.counts, width, placeOfLevel) }));
  // The outermost columns gather what is beyond: they do not set the scale.
  const most = Math.max(1e-9, ...drawn.flatMap(({ columns }) => Array.from(columns.subarray(1, width - 1))));
  for (const { columns, counts, colourOf } of drawn) {
    const levels = levelsOfColumns(counts.length, width, placeOfLevel);
    columns.forEach((n, x) => {
      const tall = Math.min(height, Math.round(height * 0.94 * Math.sqrt(n / most)));
      const colour = colourOf(levels[x]);
      for (let y = height - tall; y < height; y += 1) {
        const at = 4 * (y * width + x);
        for (let c = 0; c < 3; c += 1) rgba[at + c] += colour[c] * Math.min(1.5, brightness);
        rgba[at + 3] = 255;
      }
    });
  }
  return rgba;
};
