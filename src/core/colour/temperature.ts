import { uvToXy, xyToUv, type Chromaticity, type Uv } from './chromaticity.ts';

/** Correlated colour temperature, and distance from the Planckian locus: green +, magenta -. CIE 1960 uv. */
export type Temperature = { readonly kelvin: number; readonly duv: number };

const MIRED_RANGE = [40, 1000] as const;

/**
 * The Planckian locus in CIE 1960 uv, by Krystek 1985 ("An algorithm to calculate correlated colour temperature",
 * Color Research and Application 10): within 9e-5 from 1000 to 15 000 K, and good for less beyond.
 * @throws RangeError when not above 0.
 */
export const planckianUv = (kelvin: number): Uv => {
  if (!(kelvin > 0)) throw new RangeError(`planckianUv: kelvin must be above 0, got ${kelvin}`);
  const t = kelvin;
  return [
    (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t) /
      (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t),
    (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t) /
      (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t),
  ];
};

/**
 * The CIE daylight locus (CIE 015:2018, clause 4.1.2), 4000 to 25 000 K.
 * @throws RangeError outside.
 */
export const daylightXy = (kelvin: number): Chromaticity => {
  if (!(kelvin >= 4000 && kelvin <= 25_000))
    throw new RangeError(`daylightXy: kelvin from 4000 to 25000, got ${kelvin}`);
  const k = 1000 / kelvin;
  const x =
    kelvin <= 7000
      ? 0.244063 + 0.09911 * k + 2.9678 * k ** 2 - 4.607 * k ** 3
      : 0.23704 + 0.24748 * k + 1.9018 * k ** 2 - 2.0064 * k ** 3;
  return [x, -3 * x * x + 2.87 * x - 0.275];
};

const distance = ([u, v]: Uv, [a, b]: Uv) => Math.hypot(u - a, v - b);

/** The white at a temperature and a distance from the Planckian locus. */
export const whiteXy = ({ kelvin, duv }: Temperature): Chromaticity => {
  const mired = 1e6 / kelvin;
  const [u, v] = planckianUv(kelvin);
  const [warmer, cooler] = [planckianUv(1e6 / (mired + 0.5)), planckianUv(1e6 / (mired - 0.5))];
  const [du, dv] = [warmer[0] - cooler[0], warmer[1] - cooler[1]];
  const length = Math.hypot(du, dv);
  // Square to the locus, the side on which v is larger: green.
  const [nu, nv] = [-dv / length, du / length];
  const up = nv >= 0 ? duv : -duv;
  return uvToXy([u + nu * up, v + nv * up]);
};

/**
 * Correlated colour temperature and Duv of a chromaticity: the nearest point of the Planckian locus in CIE 1960 uv
 * (the definition of CIE 015:2018, clause 9.5; Duv as in Ohno 2014), 1000 to 25 000 K.
 */
export const temperatureOf = (xy: Chromaticity): Temperature => {
  const uv = xyToUv(xy);
  const away = (mired: number) => distance(uv, planckianUv(1e6 / mired));
  let best: number = MIRED_RANGE[0];
  for (let mired: number = MIRED_RANGE[0]; mired <= MIRED_RANGE[1]; mired += 10)
    if (away(mired) < away(best)) best = mired;
  let [low, high] = [Math.max(MIRED_RANGE[0], best - 10), Math.min(MIRED_RANGE[1], best + 10)];
  for (let i = 0; i < 60; i += 1) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (away(a) < away(b)) high = b;
    else low = a;
  }
  const kelvin = 2e6 / (low + high);
  const locus = planckianUv(kelvin);
  return { kelvin, duv: distance(uv, locus) * (uv[1] >= locus[1] ? 1 : -1) };
};
