import { rampBytes, type RampId } from './ramp.ts';
import type { Waveform } from './waveform.ts';

export type Colour = readonly [number, number, number];

export type WaveformPictureOptions = {
  readonly height: number;
  /** Colour of a level. */
  readonly colourOf: (level: number) => Colour;
  /** Place on the chosen axis of a level, fractions allowed: 0 at the bottom edge, 1 at the top. */
  readonly placeOfLevel: (level: number) => number;
  /** Opacity, 1 = usual. */
  readonly brightness?: number;
};

/** Rows a level fills, by level: between itself and its neighbours, so that stretched shadows have no gaps. */
const spansOf = (levels: number, height: number, placeOfLevel: (level: number) => number) => {
  const row = (level: number) => (1 - placeOfLevel(level)) * height;
  const top = new Int32Array(levels);
  const bottom = new Int32Array(levels);
  for (let level = 0; level < levels; level += 1) {
    top[level] = Math.max(0, Math.min(height, Math.floor(row(level + 0.5))));
    bottom[level] = Math.max(0, Math.min(height, Math.max(top[level] + 1, Math.floor(row(level - 0.5)))));
  }
  return { top, bottom };
};

/** Colour of a level by the stop it stands for. */
export const rampColours =
  (ramp: RampId, stopsOfLevel: (level: number) => number) =>
  (level: number): Colour =>
    rampBytes(ramp, stopsOfLevel(level));

/**
 * Counts drawn as light over `rgba` (`width` x height) from column `left` on: one pixel column a waveform
 * column, opacity by the cube root of a level's share of its column so that thin traces stay visible. `add`:
 * colours add up, as three channels do; else the stronger stands.
 */
export const paintWaveform = (
  rgba: Uint8ClampedArray,
  width: number,
  left: number,
  { columns, levels, stride, counts }: Waveform,
  { height, colourOf, placeOfLevel, brightness = 1 }: WaveformPictureOptions,
  add = false,
): void => {
  const { top, bottom } = spansOf(levels, height, placeOfLevel);
  const colours = new Uint8Array(3 * levels);
  for (let level = 0; level < levels; level += 1) colours.set(colourOf(level), 3 * level);
  const roots = new Float32Array(4096);
  for (let n = 0; n < roots.length; n += 1) roots[n] = Math.cbrt(n);
  const root = (n: number) => (n < roots.length ? roots[n] : Math.cbrt(n));
  for (let column = 0; column < columns; column += 1) {
    const base = column * stride;
    let total = 0;
    for (let level = 0; level < levels; level += 1) total += counts[base + level];
    const scale = (2.4 * 255 * brightness) / Math.cbrt(Math.max(1, total));
    const least = 0.4 * 255 * brightness;
    for (let level = 0; level < levels; level += 1) {
      const count = counts[base + level];
      if (count === 0) continue;
      const rows = bottom[level] - top[level];
      const alpha = Math.min(255, least + (scale * root(count)) / (rows > 1 ? Math.cbrt(rows) : 1));
      for (let y = top[level]; y < bottom[level]; y += 1) {
        const at = 4 * (y * width + left + column);
        if (add) {
          for (let c = 0; c < 3; c += 1) rgba[at + c] += (colours[3 * level + c] * alpha) / 255;
          rgba[at + 3] = 255;
        } else if (rgba[at + 3] < alpha) {
          rgba[at] = colours[3 * level];
          rgba[at + 1] = colours[3 * level + 1];
          rgba[at + 2] = colours[3 * level + 2];
          rgba[at + 3] = alpha;
        }
      }
    }
  }
};

/** One waveform as a picture of its own. @returns RGBA bytes, columns x height. */
export const waveformPicture = (waveform: Waveform, options: WaveformPictureOptions): Uint8ClampedArray => {
  const rgba = new Uint8ClampedArray(waveform.columns * options.height * 4);
  paintWaveform(rgba, waveform.columns, 0, waveform, options);
  return rgba;
};
