import { colourTurn } from '../colour/colourTurn.ts';
import { type Matrix3, type Triple } from '../maths/matrix.ts';
import { MIDDLE_GREY } from '../units.ts';

/**
 * What a studio camera is painted with, in the steps of its panel. Red and blue gain 0.02 stop a step, gain a sixth of
 * a stop, black 0.0005 of diffuse white, saturation 3 %, gamma 1 % about grey, hue a degree. Our own: no panel says
 * what a step of it is.
 */
export type Paint = {
  readonly red: number;
  readonly blue: number;
  readonly gain: number;
  readonly black: number;
  readonly saturation: number;
  readonly gamma: number;
  readonly hue: number;
};

export const NO_PAINT: Paint = { red: 0, blue: 0, gain: 0, black: 0, saturation: 0, gamma: 0, hue: 0 };

const STOPS = { colour: 0.02, gain: 1 / 6 } as const;
const BLACK = 0.0005;
const SATURATION = 0.03;
const GAMMA = 0.01;

/** Gains of light, a channel each. */
export const paintGains = ({ red, blue, gain }: Paint): Triple => [
  2 ** (STOPS.colour * red + STOPS.gain * gain),
  2 ** (STOPS.gain * gain),
  2 ** (STOPS.colour * blue + STOPS.gain * gain),
];

/** Light that is added to every channel. */
export const paintBlack = ({ black }: Paint): number => BLACK * black;

/** Light bent about middle grey. */
export const paintBend = ({ gamma }: Paint): ((light: number) => number) => {
  if (gamma === 0) return (light) => light;
  const slope = (1 + GAMMA) ** gamma;
  return (light) => (light <= 0 ? light : MIDDLE_GREY * (light / MIDDLE_GREY) ** slope);
};

/** Colour turned up or down about luminance and round it, in the camera's own primaries. @param weights Of luminance */
export const paintMatrix = ({ saturation, hue }: Paint, weights: Triple): Matrix3 =>
  colourTurn(1 + SATURATION * saturation, hue, weights);
