import { rampBytes, type RampId } from './ramp.ts';
import type { Waveform } from './waveform.ts';

/** What the waveform's height means. */
export type WaveformScale = 'percent' | 'stops';

export type WaveformPictureOptions = {
  readonly height: number;
  readonly ramp: RampId;
  /** Stops over grey of a level, fractions allowed. */
  readonly stopsOfLevel: (level: number) => number;
  /** Place on the chosen axis of a level, 0 at the bottom edge, 1 at the top. */
  readonly placeOfLevel: (level: number) => number;
};

/**
 * Counts drawn as light: one pixel column a waveform column, each level in the colour of its stop, opacity by the
 * cube root of its share of the column so that thin traces stay visible. A level fills the rows between itself and
 * the next one, so that the stretched shadows of the stops axis have no gaps.
 * @returns RGBA bytes, columns x height.
 */
export const waveformPicture = (waveform: Waveform, options: WaveformPictureOptions): Uint8ClampedArray => {
  const { columns, levels, stride, counts } = waveform;
  const { height, ramp, stopsOfLevel, placeOfLevel } = options;
  const rgba = new Uint8ClampedArray(columns * height * 4);
  const row = (level: number) => (1 - placeOfLevel(level)) * height;
  const spans = Array.from({ length: levels }, (_, level) => {
    const top = Math.max(0, Math.min(height, Math.floor(row(level + 0.5))));
    const bottom = Math.max(0, Math.min(height, Math.max(top + 1, Math.floor(row(level - 0.5)))));
    return { top, bottom, colour: rampBytes(ramp, stopsOfLevel(level)) };
  });
  for (let column = 0; column < columns; column += 1) {
    const base = column * stride;
    let total = 0;
    for (let level = 0; level < levels; level += 1) total += counts[base + level];
    for (let level = 0; level < levels; level += 1) {
      const count = counts[base + level];
      if (count === 0) continue;
      const { top, bottom, colour } = spans[level];
      const alpha = 255 * Math.min(1, 0.4 + 2.4 * Math.cbrt(count / total / Math.max(1, bottom - top)));
      for (let y = top; y < bottom; y += 1) {
        const at = 4 * (y * columns + column);
        if (rgba[at + 3] >= alpha) continue;
        rgba[at] = colour[0];
        rgba[at + 1] = colour[1];
        rgba[at + 2] = colour[2];
        rgba[at + 3] = alpha;
      }
    }
  }
  return rgba;
};
