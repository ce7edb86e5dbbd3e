import { uvToXy, xyToUv, type Chromaticity, type Uv } from './chromaticity.ts';
import { OBSERVER, OBSERVER_FROM, OBSERVER_STEP } from './observer.ts';

/** Correlated colour temperature, and distance from the Planckian locus: green +, magenta -. CIE 1960 uv. */
export type Temperature = { readonly kelvin: number; readonly duv: number };

/**
 * What a chromaticity says of its temperature. `beyond`: the nearest point of the locus is hotter than
 * 25 000 K or cooler than 1000 K. `none`: it lies so far off the locus (|Duv| over 0.05) that CIE 015:2018,
 * clause 9.5, knows no correlated colour temperature for it; the nearest point's stands there all the same.
 */
export type TemperatureFound = Temperature & { readonly stands: 'within' | 'beyond' | 'none' };

const MIRED_RANGE = [0, 1000] as const;
const WITHIN = [40, 1000] as const;
/** Hotter than this no dial goes and no light is called: 40 mired, K. */
export const HOTTEST = 1e6 / WITHIN[0];
const FARTHEST_DUV = 0.05;
/** What the search leaves open, mired. */
const EDGE = 1e-6;
/** Second radiation constant, m K, as CIE 015:2018, clause 4.1.1 has it for illuminant A. */
const C2 = 1.4388e-2;

/** Planck's law at a wavelength (metres) and a mired, relative; 0 mired is an endlessly hot radiator. */
export const planckPower = (metres: number, mired: number): number => {
  const short = 560e-9 / metres;
  // Where it is endlessly hot, only the fourth power of the law is left.
  return mired === 0 ? short ** 4 : short ** 5 / Math.expm1((C2 * mired * 1e-6) / metres);
};

/** Planck's law through the standard observer, at a mired; 0 is an endlessly hot radiator. CIE 1960 uv. */
const radiatorUv = (mired: number): Uv => {
  const sum = [0, 0, 0];
  OBSERVER.forEach((functions, i) => {
    const metres = (OBSERVER_FROM + OBSERVER_STEP * i) * 1e-9;
    const power = planckPower(metres, mired);
    for (let c = 0; c < 3; c += 1) sum[c] += power * functions[c];
  });
  const [x, y, z] = sum;
  const all = x + 15 * y + 3 * z;
  return [(4 * x) / all, (6 * y) / all];
};

let locus: readonly Uv[] | undefined;
/** The locus at every whole mired from 0 to 1000, worked out once. */
const locusTable = (): readonly Uv[] =>
  (locus ??= Array.from({ length: MIRED_RANGE[1] + 1 }, (_, mired) => radiatorUv(mired)));

/** The locus at a mired, by a cubic through the four whole ones about it. */
const locusAt = (mired: number): Uv => {
  if (mired > MIRED_RANGE[1] - 2 || mired < 1) return radiatorUv(mired);
  const table = locusTable();
  const i = Math.floor(mired);
  const t = mired - i;
  const [a, b, c, d] = [table[i - 1], table[i], table[i + 1], table[i + 2]];
  const cubic = (k: 0 | 1) =>
    b[k] +
    0.5 *
      t *
      (c[k] - a[k] + t * (2 * a[k] - 5 * b[k] + 4 * c[k] - d[k] + t * (3 * (b[k] - c[k]) + d[k] - a[k])));
  return [cubic(0), cubic(1)];
};

/**
 * The Planckian locus in CIE 1960 uv: Planck's law with c2 = 1.4388e-2 m K through the CIE 1931 observer.
 * @throws RangeError when not above 0.
 */
export const planckianUv = (kelvin: number): Uv => {
  if (!(kelvin > 0)) throw new RangeError(`planckianUv: kelvin must be above 0, got ${kelvin}`);
  return locusAt(1e6 / kelvin);
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

/** Square to the locus at a mired, to the side where v is larger: green. Length 1. */
const greenward = (mired: number): Uv => {
  const [warmer, cooler] = [locusAt(mired + 0.5), locusAt(Math.max(0, mired - 0.5))];
  const [du, dv] = [warmer[0] - cooler[0], warmer[1] - cooler[1]];
  const length = Math.hypot(du, dv);
  return du >= 0 ? [-dv / length, du / length] : [dv / length, -du / length];
};

/** The white at a temperature and a distance from the Planckian locus. */
export const whiteXy = ({ kelvin, duv }: Temperature): Chromaticity => {
  const [u, v] = planckianUv(kelvin);
  const [nu, nv] = greenward(1e6 / kelvin);
  return uvToXy([u + nu * duv, v + nv * duv]);
};

/**
 * Correlated colour temperature and Duv of a chromaticity: the nearest point of the Planckian locus in CIE 1960 uv
 * (the definition of CIE 015:2018, clause 9.5; Duv as in Ohno 2014). Hotter than anything is Infinity.
 */
export const temperatureOf = (xy: Chromaticity): TemperatureFound => {
  const uv = xyToUv(xy);
  const away = (mired: number) => distance(uv, locusAt(mired));
  let best: number = MIRED_RANGE[0];
  for (let mired: number = MIRED_RANGE[0]; mired <= MIRED_RANGE[1]; mired += 10)
    if (away(mired) < away(best)) best = mired;
  let [low, high] = [Math.max(MIRED_RANGE[0], best - 10), Math.min(MIRED_RANGE[1], best + 10)];
  for (let i = 0; i < 60; i += 1) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (away(a) < away(b)) high = b;
    else low = a;
  }
  const mired = (low + high) / 2;
  const at = locusAt(mired);
  const [nu, nv] = greenward(mired);
  const side = (uv[0] - at[0]) * nu + (uv[1] - at[1]) * nv;
  const duv = distance(uv, at) * (side >= 0 ? 1 : -1);
  const isBeyond = mired < WITHIN[0] - EDGE || mired > WITHIN[1] - EDGE;
  const stands = Math.abs(duv) > FARTHEST_DUV ? 'none' : isBeyond ? 'beyond' : 'within';
  return { kelvin: mired < EDGE ? Infinity : 1e6 / mired, duv, stands };
};
