import type { Triple } from '../maths/matrix.ts';

/** CIE 1976 L*a*b*: lightness 0..100 for light up to the white, a* and b* unbounded. */
export type Lab = readonly [l: number, a: number, b: number];

// CIE 015:2018, clause 8.2.1, in the fractions that meet: 216/24389 and 24389/27.
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;

/** f of CIE L*a*b*: the cube root of light over white, a straight line in the dark and under 0. */
export const labRoot = (t: number): number => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);

/**
 * XYZ to L*a*b* for a white of the same scale (CIE 015:2018, clause 8.2.1). Light below 0 is carried on along
 * the straight part.
 */
export const xyzToLab = (xyz: Triple, white: Triple): Lab => {
  const [x, y, z] = xyz.map((v, i) => labRoot(v / white[i]));
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
};

/** The inverse of {@link labRoot}. */
export const labCube = (t: number): number => {
  const third = t * t * t;
  return third > EPSILON ? third : (116 * t - 16) / KAPPA;
};

/** How fast {@link labCube} rises. */
export const labCubeSlope = (t: number): number => (t * t * t > EPSILON ? 3 * t * t : 116 / KAPPA);

/** L*a*b* to XYZ for a white of the same scale: the inverse of {@link xyzToLab} (CIE 015:2018, annex). */
export const labToXyz = ([l, a, b]: Lab, white: Triple): Triple => {
  const y = (l + 16) / 116;
  return [white[0] * labCube(y + a / 500), white[1] * labCube(y), white[2] * labCube(y - b / 200)];
};

const RADIANS = Math.PI / 180;
const cos = (degrees: number) => Math.cos(degrees * RADIANS);
const seventh = (v: number) => Math.sqrt(v ** 7 / (v ** 7 + 25 ** 7));

/** Hue angle in degrees, 0 where there is no hue. */
const hueOf = (a: number, b: number) => {
  if (a === 0 && b === 0) return 0;
  const degrees = Math.atan2(b, a) / RADIANS;
  return degrees < 0 ? degrees + 360 : degrees;
};

/** Difference of hues, the short way round; 0 where one has none. */
const hueStep = (h1: number, h2: number, grey: boolean) => {
  if (grey) return 0;
  const step = h2 - h1;
  return step > 180 ? step - 360 : step < -180 ? step + 360 : step;
};

const hueMean = (h1: number, h2: number, grey: boolean) => {
  if (grey) return h1 + h2;
  if (Math.abs(h1 - h2) <= 180) return (h1 + h2) / 2;
  return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
};

/**
 * CIEDE2000 colour difference, all weights 1 (CIE 142-2001; ISO/CIE 11664-6; in the form of Sharma, Wu and
 * Dalal 2005, Color Research and Application 30, 21).
 */
export const deltaE2000 = ([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number => {
  const g = 0.5 * (1 - seventh((Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2));
  const [p1, p2] = [a1 * (1 + g), a2 * (1 + g)];
  const [c1, c2] = [Math.hypot(p1, b1), Math.hypot(p2, b2)];
  const [h1, h2] = [hueOf(p1, b1), hueOf(p2, b2)];
  const grey = c1 * c2 === 0;
  const hue = 2 * Math.sqrt(c1 * c2) * Math.sin((hueStep(h1, h2, grey) / 2) * RADIANS);
  const [l, c, h] = [(l1 + l2) / 2, (c1 + c2) / 2, hueMean(h1, h2, grey)];
  const t = 1 - 0.17 * cos(h - 30) + 0.24 * cos(2 * h) + 0.32 * cos(3 * h + 6) - 0.2 * cos(4 * h - 63);
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const sc = 1 + 0.045 * c;
  const sh = 1 + 0.015 * c * t;
  const turn = -Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * RADIANS) * 2 * seventh(c);
  const [dl, dc, dh] = [(l2 - l1) / sl, (c2 - c1) / sc, hue / sh];
  return Math.sqrt(dl * dl + dc * dc + dh * dh + turn * dc * dh);
};
