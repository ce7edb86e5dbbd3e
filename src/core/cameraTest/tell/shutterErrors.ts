import { choleskyOf, solveBy } from '../../maths/cholesky.ts';

// Real shutter times from a bracket filmed in two lights. The same shutter stands at two places of the curve, so that
// what is its own error shows at both, and what is the curve's at one: errors of marks and a smooth curve of no form
// are solved together (as Debevec and Malik 1997 solve a curve with exposures that are known).

/** A step of a bracket: where its marks put it, its shutter, its light, what was read. */
export type MarkedStep = {
  readonly stops: number;
  readonly shutter: string;
  readonly light: number;
  readonly signal: number;
  readonly sigma: number;
};

export type ShutterErrors = {
  /** Stops that a shutter gives more than its mark. */
  readonly of: (shutter: string) => number;
  /** Stops that a light gives more than it should. */
  readonly ofLight: (light: number) => number;
  /** How exactly one is known, stops, standard deviation; and the mean of all that were used in the first light. */
  readonly doubt: number;
  readonly meanDoubt: number;
};

/** Knots of the smooth curve, stops apart. */
const APART = 0.75;
/** Standard deviations that errors of marks may have, stops; how much the curve may bend from knot to knot, signal. */
const MARK_SDS = [0.003, 0.015, 0.04, 0.09] as const;
const BENDS = [0.0015, 0.004, 0.01, 0.025, 0.07] as const;
/** How far a light that was turned up by hand lies off, stops. */
const LIGHT_SD = 0.2;
const ROUNDS = 4;

type Row = {
  readonly at: readonly (readonly [index: number, value: number])[];
  readonly y: number;
  readonly sd: number;
};

/** Cubic B-spline weights of the four knots about a place, and the slope's. */
const splineAt = (x: number, from: number, count: number) => {
  const u = Math.min(count - 3 - 1e-9, Math.max(0, (x - from) / APART));
  const k = Math.floor(u);
  const t = u - k;
  const weights = [
    (1 - t) ** 3,
    3 * t ** 3 - 6 * t ** 2 + 4,
    -3 * t ** 3 + 3 * t ** 2 + 3 * t + 1,
    t ** 3,
  ].map((w) => w / 6);
  const slopes = [-((1 - t) ** 2), 3 * t * t - 4 * t, -3 * t * t + 2 * t + 1, t * t].map(
    (w) => w / (2 * APART),
  );
  return { k, weights, slopes };
};

/** Errors of marks and lights of a bracket in two lights or more. @returns undefined where there is one light. */
export const shutterErrors = (steps: readonly MarkedStep[]): ShutterErrors | undefined => {
  const shutters = [...new Set(steps.map(({ shutter }) => shutter))];
  const lights = [...new Set(steps.map(({ light }) => light))];
  if (lights.length < 2 || steps.length < 8) return undefined;
  const low = Math.min(...steps.map(({ stops }) => stops)) - 1;
  const high = Math.max(...steps.map(({ stops }) => stops)) + 1;
  const knots = Math.ceil((high - low) / APART) + 3;
  const unknowns = knots + shutters.length + lights.length - 1;
  const shutterAt = (shutter: string) => knots + shutters.indexOf(shutter);
  const lightAt = (light: number) => knots + shutters.length + lights.indexOf(light) - 1;

  const fitOf = (markSd: number, bend: number) => {
    let x: number[] = [];
    let likely = -Infinity;
    let l: number[][] | undefined;
    for (let round = 0; round < ROUNDS; round += 1) {
      const rows: Row[] = steps.map(({ stops, shutter, light, signal, sigma }) => {
        const own = x.length > 0 ? x[shutterAt(shutter)] + (light === lights[0] ? 0 : x[lightAt(light)]) : 0;
        const { k, weights, slopes } = splineAt(stops + own, low, knots);
        const slope = x.length > 0 ? slopes.reduce((sum, w, i) => sum + w * x[k + i], 0) : 0.07;
        const at: (readonly [number, number])[] = weights.map((w, i) => [k + i, w] as const);
        at.push([shutterAt(shutter), slope]);
        if (light !== lights[0]) at.push([lightAt(light), slope]);
        return { at, y: signal + slope * own, sd: sigma };
      });
      shutters.forEach((shutter) => rows.push({ at: [[shutterAt(shutter), 1]], y: 0, sd: markSd }));
      lights.slice(1).forEach((light) => rows.push({ at: [[lightAt(light), 1]], y: 0, sd: LIGHT_SD }));
      for (let i = 0; i + 3 < knots; i += 1)
        rows.push({
          at: [
            [i, -1],
            [i + 1, 3],
            [i + 2, -3],
            [i + 3, 1],
          ],
          y: 0,
          sd: bend,
        });
      // What the curve's level and slope may be: anything.
      for (let i = 0; i < 3; i += 1) rows.push({ at: [[i, 1]], y: 0, sd: 3 });
      const a = Array.from({ length: unknowns }, () => new Array<number>(unknowns).fill(0));
      const b = new Array<number>(unknowns).fill(0);
      let [squares, logs] = [0, 0];
      for (const { at, y, sd } of rows) {
        const w = 1 / (sd * sd);
        squares += w * y * y;
        logs += Math.log(sd);
        for (const [i, v] of at) {
          b[i] += w * v * y;
          for (const [j, u] of at) a[i][j] += w * v * u;
        }
      }
      l = choleskyOf(a);
      if (!l) return undefined;
      x = solveBy(l, b);
      const explained = x.reduce((sum, v, i) => sum + v * b[i], 0);
      const determinant = l.reduce((sum, row, i) => sum + 2 * Math.log(row[i]), 0);
      likely = -0.5 * (squares - explained) - logs - 0.5 * determinant;
    }
    return { x, likely, l };
  };

  const fits = MARK_SDS.flatMap((markSd) => BENDS.flatMap((bend) => fitOf(markSd, bend) ?? []));
  if (fits.length === 0) return undefined;
  const best = fits.reduce((p, q) => (q.likely > p.likely ? q : p));
  const mass = fits.map(({ likely }) => Math.exp(likely - best.likely));
  const total = mass.reduce((p, q) => p + q, 0);
  const meanOf = (index: number) => fits.reduce((sum, { x }, i) => sum + (mass[i] / total) * x[index], 0);
  const errors = new Map(shutters.map((shutter) => [shutter, meanOf(shutterAt(shutter))]));
  const offsets = new Map(lights.map((light, i) => [light, i === 0 ? 0 : meanOf(lightAt(light))]));
  // Standard deviation of one error: a column of the inverse of the best fit's matrix.
  const doubts = shutters.map((shutter) => {
    const unit = new Array<number>(unknowns).fill(0);
    unit[shutterAt(shutter)] = 1;
    return Math.sqrt(Math.max(0, solveBy(best.l!, unit)[shutterAt(shutter)]));
  });
  const left = Math.sqrt([...errors.values()].reduce((sum, v) => sum + v * v, 0) / errors.size);
  return {
    // Marks may all be off together: nothing but the mean of them says where they belong.
    meanDoubt: left / Math.sqrt(errors.size),
    of: (shutter) => errors.get(shutter) ?? 0,
    ofLight: (light) => offsets.get(light) ?? 0,
    doubt: Math.sqrt(doubts.reduce((sum, v) => sum + v * v, 0) / doubts.length),
  };
};
