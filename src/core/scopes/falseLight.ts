import { rampBytes } from './ramp.ts';
import { HDR_WHITE } from '../lut/loss.ts';
import type { OutputId } from '../lut/outputs.ts';
import type { Step } from '../grade/rows/types.ts';
import { pixelLight } from '../grade/lightLevels.ts';

/** Light from which the picture is coloured, cd/m2: reference white of HDR (BT.2408-7). */
export const COLOURED_FROM = HDR_WHITE;
/** Light at which the colours end: the brightest peak that is offered. */
const COLOURED_TO = 4000;
/** Stops under reference white at which grey ends in black, and how bright the lightest grey is drawn. */
const [DARKEST, LIGHTEST] = [-10, 0.72];

const SPAN = Math.log2(COLOURED_TO / COLOURED_FROM);
/** The ramp's own stops, from its lowest colour to its highest. */
const [LOW, HIGH] = [-8, 8];

/** Colour that stands for so much light, 0..1 a channel: grey up to reference white, a ramp of stops above it. */
export const lightColour = (light: number): readonly [number, number, number] => {
  const stops = Math.log2(Math.max(1e-6, light) / COLOURED_FROM);
  if (stops <= 0) {
    const grey = LIGHTEST * Math.max(0, 1 - stops / DARKEST);
    return [grey, grey, grey];
  }
  const [r, g, b] = rampBytes('viridis', LOW + Math.min(1, stops / SPAN) * (HIGH - LOW));
  return [r / 255, g / 255, b / 255];
};

/** A picture's signal to the colour of its light: max(R, G, B) on its display, in cd/m2. */
export const falseLight = (output: OutputId): Step => {
  const light = pixelLight(output);
  return (signal) => lightColour(light(signal)) as [number, number, number];
};
