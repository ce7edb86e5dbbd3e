import { xyToXyz, xyzToXy } from '../colour/chromaticity.ts';
import { temperatureOf, whiteXy } from '../colour/temperature.ts';
import { sunKelvin, sunPlace, type SunPlace } from './lightOfHour.ts';
import type { Place } from './sun.ts';

// Daylight through a window, by the hour: the sky and the ground that it sees, and the sun while it stands before it.
// Light outside by the model of daylight availability that lighting handbooks use (IESNA Lighting Handbook, 9th edition
// 2000, chapter 8; constants from memory), the sky taken for even. Houses, trees, walls of the room are not in it: the
// level is worth as a change from a reading on the set, not as lux.

const DEGREES = 180 / Math.PI;
/** Light of the sun outside the air on a plane that faces it, lux. */
const OUTSIDE = 127_500;
/** What the ground throws back: usual grounds 0.1 to 0.3. */
const GROUND = 0.2;
/** What glass lets through. Usual panes 0.7 to 0.85. */
const GLASS = 0.8;

/** Skies: how much of the sun comes through a thickness of air, and light of the sky on level ground, lux. */
export const WINDOW_SKIES = {
  clear: { name: 'clear', dims: 0.21, sky: (sine: number) => 800 + 15_500 * Math.sqrt(sine), kelvin: 10_000 },
  partly: { name: 'some clouds', dims: 0.8, sky: (sine: number) => 300 + 45_000 * sine, kelvin: 7500 },
  cloudy: { name: 'overcast', dims: Infinity, sky: (sine: number) => 300 + 21_000 * sine, kelvin: 6500 },
} as const satisfies Record<
  string,
  { name: string; dims: number; sky: (sine: number) => number; kelvin: number }
>;
export type WindowSky = keyof typeof WINDOW_SKIES;
export const WINDOW_SKY_IDS = Object.keys(WINDOW_SKIES) as WindowSky[];

export type WindowLight = SunPlace & {
  /** Lux just inside, without the sun's own beam: what lies on a face beside the patch of sun. */
  readonly lux: number;
  /** Of that light, K. */
  readonly kelvin: number;
  /** Lux of the beam where it falls through; 0 where the sun does not stand before the window. */
  readonly beam: number;
};

/**
 * Light through an upright window while the sun stands there.
 * @param facing Where the window looks, degrees from north over east
 * @returns undefined with the sun down
 */
export const windowLight = (sun: SunPlace, facing: number, sky: WindowSky): WindowLight | undefined => {
  if (sun.altitude <= 0) return undefined;
  const { dims, sky: skyOn, kelvin: skyKelvin } = WINDOW_SKIES[sky];
  const sine = Math.sin(sun.altitude / DEGREES);
  const direct = dims === Infinity ? 0 : OUTSIDE * Math.exp(-dims / sine);
  const before = Math.cos(sun.altitude / DEGREES) * Math.cos((sun.azimuth - facing) / DEGREES);
  const [fromSky, fromGround] = [skyOn(sine) / 2, (GROUND * (direct * sine + skyOn(sine))) / 2];
  // The ground is lit by both: its part of the sun is as warm as the sun.
  const warm = (GROUND * direct * sine) / 2;
  const parts = [
    { lux: fromSky + fromGround - warm, kelvin: skyKelvin },
    { lux: warm, kelvin: sunKelvin(sun.altitude) ?? skyKelvin },
  ];
  const mixed = parts.reduce(
    (sum, { lux, kelvin }) =>
      xyToXyz(whiteXy({ kelvin, duv: 0 })).map((v, c) => sum[c] + lux * v) as typeof sum,
    [0, 0, 0] as [number, number, number],
  );
  return {
    ...sun,
    lux: GLASS * (fromSky + fromGround),
    kelvin: temperatureOf(xyzToXy(mixed)).kelvin,
    beam: GLASS * direct * Math.max(0, before),
  };
};

export type WindowHour = WindowLight & {
  readonly at: Date;
  /** Stops against the reference hour. */
  readonly stops: number;
};

/** A beam weaker than the rest is not seen as a patch, share. Our own choice. */
const SEEN = 0.5;

/** Whether the sun lies in the room as a patch. */
export const hasPatch = ({ beam, lux }: WindowLight): boolean => beam > SEEN * lux;

/** Stops that the patch of sun lies over the rest. */
export const patchOver = ({ beam, lux }: WindowLight): number => Math.log2((beam + lux) / lux);

/**
 * A window through the day, at each instant with the sun up.
 * @param reference When it is metered: stops are against it; where the sun is down then, against the brightest
 */
export const windowDay = (
  instants: readonly Date[],
  reference: Date,
  place: Place,
  facing: number,
  sky: WindowSky,
): readonly WindowHour[] => {
  const all = instants.flatMap((at) => {
    const light = windowLight(sunPlace(at, place), facing, sky);
    return light ? [{ ...light, at }] : [];
  });
  const base =
    windowLight(sunPlace(reference, place), facing, sky)?.lux ?? Math.max(1e-9, ...all.map(({ lux }) => lux));
  return all.map((light) => ({ ...light, stops: Math.log2(light.lux / base) }));
};
