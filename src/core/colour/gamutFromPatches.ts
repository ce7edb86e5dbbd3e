import { apply, multiply, type Matrix3, type Triple } from '../maths/matrix.ts';
import { failure, success, type Result } from '../result.ts';
import { xyzToXy } from './chromaticity.ts';
import { ownGamut, rgbToXyz, type Gamut } from './gamut.ts';
import { deltaE2000, xyzToLab } from './lab.ts';

/** A patch of a chart: what the camera made of it, and what it is. */
export type ChartPatch = {
  readonly name: string;
  /** Linear light of the camera's R, G, B, on any scale. */
  readonly rgb: Triple;
  /** CIE 1931 XYZ in the light it was filmed in, on any scale. */
  readonly xyz: Triple;
};

export type GamutFit = {
  readonly gamut: Gamut;
  /** CIEDE2000 of each patch: as fitted, and by a fit without it. */
  readonly patches: readonly { readonly name: string; readonly off: number; readonly leftOut: number }[];
  readonly mean: number;
  /** Mean over patches that the fit has not seen. */
  readonly leftOutMean: number;
};

/** Fewer patches say nothing of those that are not there. */
const FEWEST = 6;
/** Chroma in L*a*b* under which a patch counts as neutral. */
const NEUTRAL = 6;
/** Share of white added to each patch's weight, so that the darkest do not count for all. */
const DARK = 0.03;
/** Smallest share of the larger spread of colours that the smaller one has to have. Our own choice. */
const SPAN = 0.02;

const chroma = (xyz: Triple, white: Triple) => {
  const [, a, b] = xyzToLab(xyz, white);
  return Math.hypot(a, b);
};

const scaled = (v: Triple, k: number): Triple => [v[0] * k, v[1] * k, v[2] * k];

type Row = { readonly rgb: Triple; readonly xyz: Triple };

/**
 * The matrix with white kept, by weighted least squares: its columns sum to the white, so that two of them are free.
 * @returns undefined where the patches' colours do not span two directions.
 */
const solve = (rows: readonly Row[], white: Triple): Matrix3 | undefined => {
  let [uu, uv, vv] = [0, 0, 0];
  const ut = [0, 0, 0];
  const vt = [0, 0, 0];
  for (const { rgb, xyz } of rows) {
    const [r, g, b] = rgb;
    const [u, v] = [r - b, g - b];
    const weight = 1 / (xyz[1] / white[1] + DARK) ** 2;
    uu += weight * u * u;
    uv += weight * u * v;
    vv += weight * v * v;
    for (let k = 0; k < 3; k += 1) {
      const t = xyz[k] - white[k] * b;
      ut[k] += weight * u * t;
      vt[k] += weight * v * t;
    }
  }
  const det = uu * vv - uv * uv;
  if (!(det > SPAN * SPAN * uu * vv)) return undefined;
  const red = ut.map((t, k) => (vv * t - uv * vt[k]) / det);
  const green = vt.map((t, k) => (uu * t - uv * ut[k]) / det);
  return [0, 1, 2].flatMap((k) => [red[k], green[k], white[k] - red[k] - green[k]]) as unknown as Matrix3;
};

/** A matrix of linear R, G, B to XYZ as primaries and white. @returns a failure where it makes no gamut. */
export const gamutOfMatrix = (m: Matrix3, name: string): Result<Gamut> => {
  if (!m.every(Number.isFinite)) return failure('matrix', 'The matrix needs nine numbers, row after row.');
  const column = (c: number): Triple => [m[c], m[c + 3], m[c + 6]];
  const white = apply(m, [1, 1, 1]);
  if (!(white[1] > 0 && white[0] + white[1] + white[2] > 0))
    return failure('matrix', 'White has no light in this matrix: check its rows, X, Y, Z from R, G, B.');
  return ownGamut({
    name,
    red: xyzToXy(column(0)),
    green: xyzToXy(column(1)),
    blue: xyzToXy(column(2)),
    white: xyzToXy(white),
  });
};

/**
 * A camera's gamut from a chart: weighted least squares in linear light with the white kept, judged by CIEDE2000 in
 * the light's own white, each patch also by a fit that has not seen it. Exposure and rest of the balance are taken out
 * by the chart's neutrals.
 * @param white XYZ of the light; only its chromaticity counts.
 */
export const gamutFromPatches = (
  patches: readonly ChartPatch[],
  white: Triple,
  name: string,
): Result<GamutFit> => {
  if (patches.length < FEWEST)
    return failure(
      'patches',
      `${patches.length} patches; at least ${FEWEST} are needed, better 18 and more.`,
    );
  const broken = patches.find(({ rgb, xyz }) => ![...rgb, ...xyz].every(Number.isFinite) || !(xyz[1] > 0));
  if (broken) return failure(broken.name, `${broken.name} has a value that is no number, or no light.`);
  const light = scaled(white, 1 / white[1]);
  const brightest = Math.max(...patches.map(({ xyz }) => xyz[1]));
  const relative = patches.map((patch) => ({ ...patch, xyz: scaled(patch.xyz, 1 / brightest) }));
  const neutrals = relative.filter(({ xyz }) => chroma(xyz, light) < NEUTRAL);
  if (neutrals.length === 0)
    return failure('patches', 'No patch is neutral in this light: a grey or white one tells the exposure.');
  // What the camera gives for white: neutrals by least squares, each channel for itself.
  const power = neutrals.reduce((sum, { xyz }) => sum + xyz[1] ** 2, 0);
  const gain = [0, 1, 2].map((c) => neutrals.reduce((sum, { rgb, xyz }) => sum + rgb[c] * xyz[1], 0) / power);
  if (!gain.every((g) => g > 0)) return failure('patches', 'The neutral patches have no light in a channel.');
  const rows = relative.map((patch) => ({
    ...patch,
    rgb: [patch.rgb[0] / gain[0], patch.rgb[1] / gain[1], patch.rgb[2] / gain[2]] as const,
  }));
  const matrix = solve(rows, light);
  if (!matrix)
    return failure(
      'patches',
      'The patches do not span: add saturated ones, a red, a green and a blue at least.',
    );
  const gamut = gamutOfMatrix(matrix, name);
  if (!gamut.ok) return gamut;
  const off = (m: Matrix3, { rgb, xyz }: Row) =>
    deltaE2000(xyzToLab(apply(m, rgb), light), xyzToLab(xyz, light));
  const judged = rows.map((row, i) => {
    const others = solve(
      rows.filter((_, n) => n !== i),
      light,
    );
    return { name: row.name, off: off(matrix, row), leftOut: off(others ?? matrix, row) };
  });
  const mean = (pick: (patch: (typeof judged)[number]) => number) =>
    judged.reduce((sum, patch) => sum + pick(patch), 0) / judged.length;
  return success({
    gamut: gamut.value,
    patches: judged,
    mean: mean((patch) => patch.off),
    leftOutMean: mean((patch) => patch.leftOut),
  });
};

/** A 3 x 3 from linear R, G, B to another gamut's, as a gamut of its own. */
export const gamutThrough = (m: Matrix3, to: Gamut, name: string): Result<Gamut> =>
  gamutOfMatrix(multiply(rgbToXyz(to), m), name);
