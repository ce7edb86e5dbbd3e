import {
  gamutMatrix,
  gamutOf,
  rgbToXyz,
  UNKNOWN_GAMUT,
  type GamutId,
  type GamutSpec,
} from '../colour/gamut.ts';
import { labCube, labCubeSlope, labRoot } from '../colour/lab.ts';
import { apply, invert, multiply, type Triple } from '../maths/matrix.ts';
import type { GamutMap } from './compressFrom.ts';

/** How far a colour is from grey: 0 none, 1 on the edge (one channel at 0), over 1 outside. */
export const distanceFromGrey = (r: number, g: number, b: number): number => {
  const most = Math.max(r, g, b);
  return most > 0 ? 1 - Math.min(r, g, b) / most : 0;
};

/** Farthest that a gamut's primaries and their mixtures of two lie, in the output's primaries. */
const farthest = (from: GamutSpec, to: GamutId): number => {
  const matrix = gamutMatrix(from, to);
  const corners: readonly Triple[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
    [1, 1, 0],
    [0, 1, 1],
    [1, 0, 1],
  ];
  return Math.max(...corners.map((corner) => distanceFromGrey(...apply(matrix, corner))));
};

const STEPS = 6;
const CLOSE = 1e-5;
/** A colour of the wanted distance, to within this. */
const NEAR = 2e-4;
/** Opening goes no further than so many times the way. */
const FARTHEST_PART = 4;
const HALVINGS = 16;
const ROUNDS = 3;

const leastOf = (r: number, g: number, b: number): number => (r <= g && r <= b ? 0 : g <= b ? 1 : 2);
const mostOf = (r: number, g: number, b: number): number => (r >= g && r >= b ? 0 : g >= b ? 1 : 2);

/** The slow way, where the channels change places on the way to grey. */
const bisect = (rgb: Float64Array, wanted: number, place: (part: number) => void): void => {
  let [low, high] = [0, FARTHEST_PART];
  for (let i = 0; i < HALVINGS; i += 1) {
    const mid = (low + high) / 2;
    place(mid);
    if (distanceFromGrey(rgb[0], rgb[1], rgb[2]) < wanted) low = mid;
    else high = mid;
  }
};

/** Colours inside are already on an edge where the two gamuts are one. */
const SAME_EDGE = 1.0005;

/** Moves linear R, G, B of the output, in place. */
type Move = (rgb: Float64Array) => void;

/**
 * Colours brought towards grey so that the farthest of the source lands on the edge of the output: exact up
 * to `from`, smooth and rising from there. The way is the one of equal lightness and hue in CIE L*a*b* under the
 * output's white, 1.0 being diffuse white.
 * @returns undefined where the source reaches no further than the output.
 */
export const compileGamutMap = (
  map: GamutMap | undefined,
  from: GamutSpec,
  to: GamutId,
): { readonly compress: Move; readonly open: Move } | undefined => {
  if (!map || from === UNKNOWN_GAMUT) return undefined;
  const reach = farthest(from, to);
  if (reach < SAME_EDGE) return undefined;
  const start = map.from;
  // d' = start + u / (1 + k u), u = d - start: slope 1 at the start, 1 at the reach.
  const k = ((reach - start) / (1 - start) - 1) / (reach - start);
  const nearer = (d: number) => start + (d - start) / (1 + k * (d - start));
  // Its inverse runs off towards the far end; beyond the reach nothing was.
  const further = (d: number) => (d >= 1 ? reach : start + (d - start) / (1 - k * (d - start)));
  const toXyz = rgbToXyz(gamutOf(to));
  const white = apply(toXyz, [1, 1, 1]);
  // Rows over the white, so that grey has three equal roots.
  const m = multiply([1 / white[0], 0, 0, 0, 1 / white[1], 0, 0, 0, 1 / white[2]], toXyz);
  const w = invert(m);

  /** Output light at a part of the way from grey (0) to the colour itself (1), on its lightness and hue. */
  const place = (rgb: Float64Array, fx: number, fy: number, fz: number, part: number): void => {
    const x = labCube(fy + part * (fx - fy));
    const y = labCube(fy);
    const z = labCube(fy + part * (fz - fy));
    rgb[0] = w[0] * x + w[1] * y + w[2] * z;
    rgb[1] = w[3] * x + w[4] * y + w[5] * z;
    rgb[2] = w[6] * x + w[7] * y + w[8] * z;
  };

  const moved =
    (target: (d: number) => number): Move =>
    (rgb) => {
      const r = rgb[0];
      const g = rgb[1];
      const b = rgb[2];
      const d = distanceFromGrey(r, g, b);
      if (!(d > start)) return;
      const wanted = target(d);
      const fx = labRoot(m[0] * r + m[1] * g + m[2] * b);
      const fy = labRoot(m[3] * r + m[4] * g + m[5] * b);
      const fz = labRoot(m[6] * r + m[7] * g + m[8] * b);
      // Without luminance there is no lightness to keep: codes that no light makes are left to the cut.
      if (!(fy > labRoot(0))) return;
      const y = labCube(fy);
      const u = fx - fy;
      const v = fz - fy;
      let part = wanted / d;
      // Least less (1 - wanted) of most is 0 there: a cubic of the part. Where other channels turn out to be least and
      // most on the way, it is solved for those.
      for (let round = 0; round < ROUNDS; round += 1) {
        const least = 3 * leastOf(rgb[0], rgb[1], rgb[2]);
        const most = 3 * mostOf(rgb[0], rgb[1], rgb[2]);
        const a = w[least] - (1 - wanted) * w[most];
        const c = w[least + 2] - (1 - wanted) * w[most + 2];
        const level = (w[least + 1] - (1 - wanted) * w[most + 1]) * y;
        for (let i = 0; i < STEPS; i += 1) {
          const tx = fy + part * u;
          const tz = fy + part * v;
          const off = a * labCube(tx) + level + c * labCube(tz);
          const step = off / (a * u * labCubeSlope(tx) + c * v * labCubeSlope(tz));
          part -= step;
          if (Math.abs(step) < CLOSE) break;
        }
        if (!(part > 0 && part < FARTHEST_PART)) part = wanted / d;
        place(rgb, fx, fy, fz, part);
        if (Math.abs(distanceFromGrey(rgb[0], rgb[1], rgb[2]) - wanted) < NEAR) return;
      }
      bisect(rgb, wanted, (at) => place(rgb, fx, fy, fz, at));
    };
  return { compress: moved(nearer), open: moved(further) };
};
