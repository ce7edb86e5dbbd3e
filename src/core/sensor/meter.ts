import { luminanceFor, type ExposureSettings } from '../exposure/meter.ts';
import { METER_MODES, type MeterMode } from '../exposure/meterModes.ts';
import { luminance } from '../scene/light.ts';
import type { SceneLight } from '../scene/scene.ts';

export type Spotting = { readonly mode: MeterMode; readonly x: number; readonly y: number };

/** Every so many pixels across and down is read: a meter has few cells. */
const CELL = 3;

/** Mean luminance of what the meter looks at, cd/m2, no pixel brighter than the sensor can tell (`most`). */
const meteredLuminance = (
  { width, height, rgb }: SceneLight,
  { mode, x, y }: Spotting,
  most = Infinity,
): number => {
  const pixels = width * height;
  const { weigh } = METER_MODES[mode];
  let sum = 0;
  let weight = 0;
  for (let row = 1; row < height; row += CELL)
    for (let column = 1; column < width; column += CELL) {
      const w = weigh(column / width, row / height, x, y);
      if (w === 0) continue;
      const i = row * width + column;
      const light = luminance(rgb[i], rgb[i + pixels], rgb[i + 2 * pixels]);
      sum += w * Math.min(most, light);
      weight += w;
    }
  return weight === 0 ? 0 : sum / weight;
};

/** What the camera's meter shows: stops over what its settings call correct, its bias on top. */
export const meterShows = (
  light: SceneLight,
  settings: ExposureSettings,
  spotting: Spotting,
  { bias, clipStops }: { readonly bias: number; readonly clipStops: number },
): number => {
  const grey = luminanceFor(settings);
  return Math.log2(Math.max(1e-9, meteredLuminance(light, spotting, grey * 2 ** clipStops)) / grey) + bias;
};
