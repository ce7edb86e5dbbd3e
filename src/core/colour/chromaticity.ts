import type { Triple } from '../maths/matrix.ts';

/** CIE 1931 xy. */
export type Chromaticity = readonly [x: number, y: number];
/** CIE 1960 uv, the plane in which correlated colour temperature and Duv are defined. */
export type Uv = readonly [u: number, v: number];

/** XYZ of a chromaticity with Y = 1. y must not be 0. */
export const xyToXyz = ([x, y]: Chromaticity): Triple => [x / y, 1, (1 - x - y) / y];

export const xyzToXy = ([x, y, z]: Triple): Chromaticity => [x / (x + y + z), y / (x + y + z)];

/** CIE 015:2018, clause 8.1 (the 1960 diagram). */
export const xyToUv = ([x, y]: Chromaticity): Uv => {
  const n = -2 * x + 12 * y + 3;
  return [(4 * x) / n, (6 * y) / n];
};

export const uvToXy = ([u, v]: Uv): Chromaticity => {
  const n = 2 * u - 8 * v + 4;
  return [(3 * u) / n, (2 * v) / n];
};
