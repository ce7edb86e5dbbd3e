import { GAMUTS, rgbToXyz } from '../colour/gamut.ts';
import { apply } from '../maths/matrix.ts';
import { HOTTEST, temperatureOf } from '../colour/temperature.ts';
import { xyzToXy } from '../colour/chromaticity.ts';
import type { SceneLight } from '../scene/scene.ts';

export type AutoRules = {
  /** Widest and narrowest f-number. */
  readonly irisRange: readonly [number, number];
  readonly isoRange: readonly [number, number];
  readonly kelvinRange: readonly [number, number];
  /** Stops the owner has dialled on top. */
  readonly compensation: number;
};

/** Seconds in which the exposure and the balance come two thirds of the way. Our own: unhurried, as bodies are. */
const EXPOSURE_SECONDS = 0.5;
const BALANCE_SECONDS = 2.5;
/** Nearer than this to right nothing moves, stops. */
const DEADBAND = 0.12;
/** Automatic balance does not believe all it sees: it stops short by this share of the way from daylight. */
const DOUBT = 0.3;
const DAYLIGHT_MIRED = 1e6 / 5200;

const TO_XYZ = rgbToXyz(GAMUTS.bt2020);

/** The colour of the picture's mean as a light: what a camera that believes in a grey world takes for white, K. */
export const greyWorld = ({ width, height, rgb }: SceneLight, most: number): number => {
  const pixels = width * height;
  const mean: [number, number, number] = [0, 0, 0];
  for (let i = 0; i < pixels; i += 7)
    for (let c = 0; c < 3; c += 1) mean[c] += Math.min(most, rgb[i + c * pixels]);
  return Math.min(HOTTEST, temperatureOf(xyzToXy(apply(TO_XYZ, mean))).kelvin);
};

const towards = (from: number, to: number, seconds: number, pace: number) =>
  to + (from - to) * Math.exp(-seconds / pace);

/**
 * F-number a step of time later: the meter's error is worked off slowly within the lens, near enough nothing moves.
 * Two thirds of a stop too bright close it by as much in time.
 */
export const autoIris = (fNumber: number, shows: number, seconds: number, rules: AutoRules): number => {
  const error = shows - rules.compensation;
  if (Math.abs(error) < DEADBAND) return fNumber;
  const stops = 2 * Math.log2(fNumber);
  const next = 2 ** (towards(stops, stops + error, seconds, EXPOSURE_SECONDS) / 2);
  return Math.min(rules.irisRange[1], Math.max(rules.irisRange[0], next));
};

/** ISO a step of time later: the meter's error is worked off slowly, within the ceiling; near enough nothing moves. */
export const autoIso = (iso: number, shows: number, seconds: number, rules: AutoRules): number => {
  const error = shows - rules.compensation;
  if (Math.abs(error) < DEADBAND) return iso;
  const stops = Math.log2(iso);
  const next = 2 ** towards(stops, stops - error, seconds, EXPOSURE_SECONDS);
  return Math.min(rules.isoRange[1], Math.max(rules.isoRange[0], next));
};

/** Kelvin a step of time later: towards the grey world, but not all the way, within its range. */
export const autoKelvin = (kelvin: number, seen: number, seconds: number, rules: AutoRules): number => {
  const wanted = DAYLIGHT_MIRED + (1 - DOUBT) * (1e6 / seen - DAYLIGHT_MIRED);
  const mired = towards(1e6 / kelvin, wanted, seconds, BALANCE_SECONDS);
  return Math.min(rules.kelvinRange[1], Math.max(rules.kelvinRange[0], 1e6 / mired));
};
