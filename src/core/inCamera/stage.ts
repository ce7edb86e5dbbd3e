import { boxLight, type Box } from '../cameraTest/film/desk.ts';
import type { FilmedCamera } from '../cameraTest/film/film.ts';
import { sharpened } from '../cameraTest/film/sharpened.ts';
import { luminanceFor } from '../exposure/meter.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { stopsToReflectance } from '../units.ts';
import { expose } from '../sensor/camera.ts';
import { NO_PAINT, type Paint } from '../sensor/paint.ts';
import { codeAnchors } from '../signal/scale.ts';
import type { InCameraId } from './settings.ts';

// A table in the studio filmed twice by a simulated camera, with a setting and without it. All of it our own.

const grey = (v: number): Box[4] => [v, v, v];

/** A wall, white paper on black cloth with its edge upright in the middle, sheets of paint, a lamp, a dark hole. */
const TABLE: readonly Box[] = [
  [0, 0, 1, 1, grey(0.2)],
  [0.36, 0.2, 0.14, 0.6, grey(0.035)],
  [0.5, 0.2, 0.14, 0.6, grey(0.86)],
  [0.04, 0.08, 0.14, 0.36, [0.42, 0.06, 0.05]],
  [0.04, 0.56, 0.14, 0.36, [0.08, 0.3, 0.08]],
  [0.82, 0.56, 0.14, 0.36, [0.05, 0.09, 0.35]],
  [0.82, 0.08, 0.14, 0.36, [0.4, 0.32, 0.05]],
  [0.66, 0.04, 0.06, 0.1, grey(60)],
  [0.66, 0.86, 0.06, 0.1, grey(0.001)],
];

/** What a menu of the simulated camera does at the setting that is tried. */
const DOES: Readonly<
  Record<
    InCameraId,
    {
      readonly paint?: Partial<Paint>;
      readonly detail?: number;
      readonly smooth?: number;
      readonly knee?: number;
      /** Every second line is read, and those between are made up. */
      readonly skips?: boolean;
    }
  >
> = {
  detail: { detail: 0.3 },
  noise: { smooth: 1 },
  contrast: { paint: { gamma: 12 } },
  saturation: { paint: { saturation: 6 } },
  colour: { paint: { hue: 6 } },
  black: { paint: { black: 12 } },
  knee: { knee: 0.8 },
  rate: { skips: true },
};

/** Tones over a part of the way to full rise half as steeply. */
const kneed = (frame: Frame, at: number): Frame => {
  const { black, white } = codeAnchors(frame);
  const from = black + at * (white - black);
  const bend = (plane: Uint16Array) =>
    plane.map((code) => (code > from ? Math.round(from + (code - from) / 2) : code));
  return makeFrame({ ...frame, r: bend(frame.r), g: bend(frame.g), b: bend(frame.b), source: undefined });
};

/** Every second column and row alone, what lies between as the mean of its neighbours. */
const skipped = (frame: Frame): Frame => {
  const { width, height } = frame;
  const even = (n: number, size: number) => [n - (n % 2), Math.min(size - 1 - ((size - 1) % 2), n + (n % 2))];
  const plane = (from: Uint16Array) =>
    from.map((_, i) => {
      const [left, right] = even(i % width, width);
      const [top, foot] = even(Math.floor(i / width), height);
      const sum = from[top * width + left] + from[top * width + right];
      return Math.round((sum + from[foot * width + left] + from[foot * width + right]) / 4);
    });
  return makeFrame({ ...frame, r: plane(frame.r), g: plane(frame.g), b: plane(frame.b), source: undefined });
};

const EXPOSURE = { fNumber: 4, seconds: 1 / 50, ndStops: 0 } as const;
const KELVIN = 5600;

/** Both frames: without the setting, and with it. @param seed Of the noise, another in each frame */
export const filmTwice = (
  { body, profile, coding, chroma, baseIsos }: FilmedCamera,
  id: InCameraId,
  seed: number,
): readonly [without: Frame, withIt: Frame] => {
  const exposure = { ...EXPOSURE, iso: Math.min(...baseIsos) };
  const light = boxLight(TABLE, KELVIN, luminanceFor(exposure, 0) / stopsToReflectance(0));
  const film = (
    { paint = {}, detail = 0, smooth = 0, knee, skips = false }: (typeof DOES)[InCameraId],
    at: number,
  ): Frame => {
    const frame = expose(
      light,
      { ...body, paint: { ...NO_PAINT, ...paint } },
      { ...exposure, diffusion: 0, kelvin: KELVIN, tint: 0, profile, coding, chroma, smoothing: smooth },
      at,
    );
    const sharp = sharpened(skips ? skipped(frame) : frame, detail);
    return knee === undefined ? sharp : kneed(sharp, knee);
  };
  return [film({}, 2 * seed), film(DOES[id], 2 * seed + 1)];
};
