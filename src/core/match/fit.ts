import { deltaE2000, type Lab } from '../colour/lab.ts';
import type { OperationKind } from '../correction/operations.ts';
import type { Triple } from '../maths/matrix.ts';
import { leastSquares } from './leastSquares.ts';
import { developed, placesOf, USUAL, type MatchSpace, type Vector } from './parameters.ts';
import { labOfLight, type MatchPatch, type PatchLight } from './patches.ts';

/** A patch ready to be fitted: what the camera has, what the hero shows, and how sure both are. */
export type FitPatch = {
  readonly name: string;
  readonly light: Triple;
  readonly hero: Lab;
  /** Standard deviation of the difference by noise, in units of L*a*b*. */
  readonly noise: number;
};

/** What stays unexplained on any patch, however well it is measured: a little of a different angle. Our own, ΔE. */
export const OTHER_ERRORS = 0.5;
/** Pull of a number towards doing nothing: decides only what the patches leave open. Our own. */
const RIDGE = 0.01;

const noiseOf = ({ light, error }: PatchLight, lab: (light: Triple) => Lab): number => {
  const here = lab(light);
  const squares = error.map((sd, c) => {
    const moved = lab(light.map((v, i) => (i === c ? v + sd : v)) as unknown as Triple);
    return moved.reduce((sum, v, i) => sum + (v - here[i]) ** 2, 0);
  });
  return Math.sqrt(squares.reduce((sum, v) => sum + v, 0));
};

export const fitPatches = (patches: readonly MatchPatch[], space: MatchSpace): readonly FitPatch[] => {
  const lab = labOfLight(space.primaries, space.level);
  // The camera's own level: its noise is seen after the match.
  const level = (light: Triple) => Math.log2(Math.max(1e-6, light[1]));
  return patches.map(({ name, from, hero }) => {
    const own = labOfLight(space.primaries, space.level + level(from.light) - level(hero.light));
    return {
      name,
      light: from.light,
      hero: lab(hero.light),
      noise: Math.hypot(noiseOf(hero, lab), noiseOf(from, own)),
    };
  });
};

/**
 * What lies between two colours in lightness, chroma and hue, each divided as CIEDE2000 divides it at the hero's:
 * close to ΔE2000 for small differences, and smooth.
 */
export const parted = ([l, a, b]: Lab, [hl, ha, hb]: Lab): Triple => {
  const chroma = Math.hypot(ha, hb);
  const [ca, cb] = chroma > 1e-6 ? [ha / chroma, hb / chroma] : [1, 0];
  const [da, db] = [a - ha, b - hb];
  const sl = 1 + (0.015 * (hl - 50) ** 2) / Math.sqrt(20 + (hl - 50) ** 2);
  return [
    (l - hl) / sl,
    (da * ca + db * cb) / (1 + 0.045 * chroma),
    (db * ca - da * cb) / (1 + 0.015 * chroma),
  ];
};

/** Numbers by least squares (Levenberg and Marquardt) on the patches; what is not in `kinds` stays as in `start`. */
export const fitted = (
  patches: readonly FitPatch[],
  kinds: readonly OperationKind[],
  start: Vector,
  space: MatchSpace,
  rounds = 10,
): Vector => {
  const places = placesOf(kinds);
  if (places.length === 0 || patches.length === 0) return start;
  const lab = labOfLight(space.primaries, space.level);
  const develop = developed(space);
  const full = (free: readonly number[]) => {
    const v = [...start];
    places.forEach((place, i) => {
      v[place] = start[place] + free[i] * USUAL[place];
    });
    return v;
  };
  const residuals = (free: readonly number[]) => {
    const run = develop(full(free));
    const seen = patches.flatMap(({ light, hero, noise }) => {
      const scale = Math.hypot(noise, OTHER_ERRORS);
      return parted(lab(run(light)), hero).map((v) => v / scale);
    });
    return [...seen, ...free.map((v) => RIDGE * v)];
  };
  const free = leastSquares(places.length, 3 * patches.length + places.length, residuals, rounds);
  const found = full(free);
  // Away from everything a step can end nowhere: then the start is better than that.
  return found.every(Number.isFinite) ? found : start;
};

/** CIEDE2000 of each patch against the hero's, with a vector. */
export const differences = (
  patches: readonly FitPatch[],
  v: Vector,
  space: MatchSpace,
): readonly number[] => {
  const lab = labOfLight(space.primaries, space.level);
  const run = developed(space)(v);
  return patches.map(({ light, hero }) => deltaE2000(lab(run(light)), hero));
};
