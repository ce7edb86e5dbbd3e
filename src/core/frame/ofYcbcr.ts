import { ycbcrToRgb } from './ycbcr.ts';
import type { Coding } from '../signal/scale.ts';
import { makeFrame, type Frame, type YcbcrSource } from './frame.ts';

/** A frame from the Y'CbCr samples it was recorded as; they stay with it. */
export const frameOfYcbcr = (source: YcbcrSource, width: number, coding: Coding): Frame => {
  const n = source.y.length;
  const planes = { r: new Uint16Array(n), g: new Uint16Array(n), b: new Uint16Array(n) };
  ycbcrToRgb(source, width, coding, planes);
  return makeFrame({ width, height: n / width, ...coding, ...planes, source });
};

const NONE = new Uint16Array(0);

/**
 * A frame that is still to be converted: its R'G'B' planes are empty. For those who convert into a place of
 * their own.
 */
export const unconverted = (source: YcbcrSource, width: number, coding: Coding): Frame => ({
  width,
  height: source.y.length / width,
  ...coding,
  r: NONE,
  g: NONE,
  b: NONE,
  source,
});
