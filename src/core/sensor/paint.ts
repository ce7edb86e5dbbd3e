import { type Matrix3, type Triple } from '../maths/matrix.ts';

/**
 * What a studio camera is painted with, in the steps of its panel. Red and blue gain 0.02 stop a step, gain a sixth of
 * a stop, black 0.0005 of diffuse white, saturation 3 %. Our own: no panel says what a step of it is.
 */
export type Paint = {
  readonly red: number;
  readonly blue: number;
  readonly gain: number;
  readonly black: number;
  readonly saturation: number;
};

export const NO_PAINT: Paint = { red: 0, blue: 0, gain: 0, black: 0, saturation: 0 };

const STOPS = { colour: 0.02, gain: 1 / 6 } as const;
const BLACK = 0.0005;
const SATURATION = 0.03;

/** Gains of light, a channel each. */
export const paintGains = ({ red, blue, gain }: Paint): Triple => [
  2 ** (STOPS.colour * red + STOPS.gain * gain),
  2 ** (STOPS.gain * gain),
  2 ** (STOPS.colour * blue + STOPS.gain * gain),
];

/** Light that is added to every channel. */
export const paintBlack = ({ black }: Paint): number => BLACK * black;

/** Colour turned up or down about luminance, in the camera's own primaries. @param weights Of its luminance */
export const paintMatrix = ({ saturation }: Paint, [kr, kg, kb]: Triple): Matrix3 => {
  const s = Math.max(0, 1 + SATURATION * saturation);
  const rest = 1 - s;
  return [
    s + rest * kr,
    rest * kg,
    rest * kb,
    rest * kr,
    s + rest * kg,
    rest * kb,
    rest * kr,
    rest * kg,
    s + rest * kb,
  ];
};
