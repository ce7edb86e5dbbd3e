import { getPosition } from 'suncalc';
import { xyzToXy } from '../colour/chromaticity.ts';
import { OBSERVER, OBSERVER_FROM, OBSERVER_STEP } from '../colour/observer.ts';
import { planckPower, temperatureOf } from '../colour/temperature.ts';
import type { Place } from './sun.ts';

// How much light the sun and a clear sky give at an hour, and of what colour. Models, each with its source; clouds,
// haze and what stands around are not in them.

const DEGREES = 180 / Math.PI;

/** Where the sun stands: degrees over the horizon, and degrees from north over east. */
export type SunPlace = { readonly altitude: number; readonly azimuth: number };

/** The sun at an instant and a place as it is seen, with refraction, by suncalc (to about a tenth of a degree). */
export const sunPlace = (at: Date, { latitude, longitude }: Place): SunPlace => {
  const { altitude, azimuth } = getPosition(at, latitude, longitude);
  return { altitude, azimuth };
};

/**
 * Pieces of the logarithm of the light on level ground by the sun's height, lux, clear sky. Seidelmann (ed.) 1992,
 * Explanatory Supplement to the Astronomical Almanac, table 9.3, from memory: checked in the tests against the lux that
 * handbooks give for the horizon and the twilights.
 */
const PIECES: readonly {
  readonly from: number;
  readonly c: readonly [number, number, number, number];
}[] = [
  { from: 20, c: [3.74, 3.97, -4.07, 1.47] },
  { from: 5, c: [3.05, 13.28, -45.98, 64.33] },
  { from: -0.8, c: [2.88, 22.26, -207.64, 1034.3] },
  { from: -5, c: [2.88, 21.81, -258.11, -858.36] },
  { from: -12, c: [2.7, 12.17, -431.69, -1899.83] },
  { from: -18, c: [13.84, 262.72, 1447.42, 2797.93] },
];

/** Light on level ground under a clear sky, lux; undefined by night, where the model ends. @param altitude Degrees */
export const levelLux = (altitude: number): number | undefined => {
  const piece = PIECES.find(({ from }) => altitude >= from);
  if (!piece) return undefined;
  const x = altitude / 90;
  const [a, b, c, d] = piece.c;
  return 10 ** (a + b * x + c * x * x + d * x ** 3);
};

/** Temperature of the sun's own light, K: what its spectrum is nearest to outside the air. */
const SUN_KELVIN = 5778;
/** Ångström's turbidity and exponent of a clear day: a usual one. */
const HAZE = { beta: 0.06, alpha: 1.3 } as const;

/** Air that the sun's light goes through, of what is overhead (Kasten and Young 1989). */
const airMass = (altitude: number): number =>
  1 / (Math.sin(altitude / DEGREES) + 0.50572 * (altitude + 6.07995) ** -1.6364);

/** Optical depth of the air by scattering, wavelength in micrometres (Leckner 1978). */
const rayleigh = (um: number): number => 0.008735 * um ** -4.08;

/**
 * Colour temperature of the sun's own light on the ground, K: a black body through air and a little haze. Ozone is left
 * out, and so is the sky, whose blue lies on top where no wall or board keeps it off.
 * @param altitude Degrees @returns undefined with the sun under the horizon
 */
export const sunKelvin = (altitude: number): number | undefined => {
  if (altitude < 0) return undefined;
  const mass = airMass(altitude);
  const sum = [0, 0, 0];
  OBSERVER.forEach((functions, i) => {
    const nm = OBSERVER_FROM + OBSERVER_STEP * i;
    const um = nm / 1000;
    const through = Math.exp(-mass * (rayleigh(um) + HAZE.beta * um ** -HAZE.alpha));
    const power = planckPower(nm * 1e-9, 1e6 / SUN_KELVIN) * through;
    for (let c = 0; c < 3; c += 1) sum[c] += power * functions[c];
  });
  return temperatureOf(xyzToXy([sum[0], sum[1], sum[2]])).kelvin;
};

export type HourLight = SunPlace & {
  /** Lux on level ground under a clear sky; undefined by night. */
  readonly lux?: number;
  /** Of the sun's own light; undefined with the sun down. */
  readonly kelvin?: number;
  /** How fast it changes: stops and mired a minute, brighter and warmer +. */
  readonly stopsAMinute?: number;
  readonly miredAMinute?: number;
};

/** Minutes either side that a rate is taken over. */
const ABOUT = 5;

/** Light and colour at an instant, and how fast both move. */
export const hourLight = (at: Date, place: Place): HourLight => {
  const near = [-ABOUT, ABOUT].map((minutes) => sunPlace(new Date(at.getTime() + minutes * 60_000), place));
  const here = sunPlace(at, place);
  const [before, after] = near.map(({ altitude }) => levelLux(altitude));
  const [cold, warm] = near.map(({ altitude }) => sunKelvin(altitude));
  const [lux, kelvin] = [levelLux(here.altitude), sunKelvin(here.altitude)];
  return {
    ...here,
    ...(lux === undefined ? {} : { lux }),
    ...(kelvin === undefined ? {} : { kelvin }),
    ...(before && after ? { stopsAMinute: Math.log2(after / before) / (2 * ABOUT) } : {}),
    ...(cold && warm ? { miredAMinute: (1e6 / warm - 1e6 / cold) / (2 * ABOUT) } : {}),
  };
};

/** How the sun lies to a camera's view. */
export const SUN_SIDES = {
  front: { name: 'front lit', says: 'the sun stands behind the camera: flat, saturated, faces squint' },
  threeQuarter: { name: 'three-quarter lit', says: 'the sun comes over a shoulder: faces get a shadow side' },
  side: { name: 'side lit', says: 'the sun comes from the side: texture, and a deep shadow side' },
  back: { name: 'back lit', says: 'the sun stands before the camera: rims, flare, faces in shade' },
} as const;
export type SunSide = keyof typeof SUN_SIDES;

/** Degrees between the camera's view and the sun up to which each side reaches, from behind the camera on. Our own. */
const REACHES = { front: 30, threeQuarter: 70, side: 120 } as const;

/**
 * Which side the sun lights what the camera sees.
 * @param bearing Where the camera looks, degrees from north over east @param azimuth The sun's
 */
export const sunSide = (bearing: number, azimuth: number): SunSide => {
  // From behind the camera: 0 is the sun straight at its back.
  const off = Math.abs(((azimuth - bearing + 180 + 540) % 360) - 180);
  if (off <= REACHES.front) return 'front';
  if (off <= REACHES.threeQuarter) return 'threeQuarter';
  return off <= REACHES.side ? 'side' : 'back';
};

/** Light or colour that may move before it is metered or balanced again: a third of a stop, ten mired. Our own. */
export const AGAIN = { stops: 1 / 3, mired: 10 } as const;

/** Minutes until light or colour have moved so far that metering or balancing again is due; Infinity at rest. */
export const minutesUntil = ({ stopsAMinute = 0, miredAMinute = 0 }: HourLight) => ({
  meter: AGAIN.stops / Math.abs(stopsAMinute),
  balance: AGAIN.mired / Math.abs(miredAMinute),
});
