import type { Frame } from '../frame/frame.ts';
import { makeFrame } from '../frame/frame.ts';
import { signalToCode, type Coding } from '../signal/scale.ts';

/** Colours of a row of bars from left to right, brightest first: which of R'G'B' are on. */
export const BAR_COLOURS = {
  white: [1, 1, 1],
  yellow: [1, 1, 0],
  cyan: [0, 1, 1],
  green: [0, 1, 0],
  magenta: [1, 0, 1],
  red: [1, 0, 0],
  blue: [0, 0, 1],
} as const;
export type BarColour = keyof typeof BAR_COLOURS;
export const BAR_COLOUR_IDS = Object.keys(BAR_COLOURS) as BarColour[];

/** Bars of a level (0.75 or 1 of signal) in R'G'B' codes; the row that SMPTE RP 219 puts on top. */
export const barsFrame = (width: number, height: number, level: number, coding: Coding): Frame => {
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  for (let x = 0; x < width; x += 1) {
    const bar = BAR_COLOUR_IDS[Math.min(6, Math.floor((x * 7) / width))];
    planes.forEach((plane, c) => {
      const code = Math.round(signalToCode(level * BAR_COLOURS[bar][c], coding));
      for (let y = 0; y < height; y += 1) plane[y * width + x] = code;
    });
  }
  const [r, g, b] = planes;
  return makeFrame({ width, height, ...coding, r, g, b });
};
