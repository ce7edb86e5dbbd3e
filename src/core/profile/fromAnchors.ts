import type { GamutSpec } from '../colour/gamut.ts';
import { success, type Result } from '../result.ts';
import { SCALES, type Coding, type ScaleId } from '../signal/scale.ts';
import { printStopsDecimal, reflectanceToStops } from '../units.ts';
import { readAnchors } from './anchors.ts';
import { compileCurve } from './compile.ts';
import type { ProfileSolution } from './solution.ts';
import { narrowestReading } from './narrowing.ts';
import { solveLog } from './solveLog.ts';
import type { Anchor, CurveSpec } from './types.ts';
import { noClipTyped } from './profileWords.ts';

/** Worst misfit, in signal, of the log curves known to be of this form; beyond it the form is wrong. */
const WORST_FIT = 0.01;

const worstOf = (residuals: ProfileSolution['residuals']) =>
  residuals.reduce((a, b) => (Math.abs(b.signal) > Math.abs(a.signal) ? b : a));

const fitWarning = (residuals: ProfileSolution['residuals'], tabled: boolean): string[] => {
  const worst = worstOf(residuals);
  if (Math.abs(worst.signal) <= WORST_FIT) return [];
  const off = (100 * Math.abs(worst.signal)).toFixed(1);
  const left = tabled
    ? 'Kept as a table through them; check the scale.'
    : 'Check the scale, or type a table instead.';
  return [`These numbers do not lie on one log curve: ${worst.name} is ${off} % of signal off. ${left}`];
};

/** As many numbers say how a curve of another form runs; fewer do not. */
const ENOUGH_FOR_TABLE = 4;

/**
 * A profile from printed numbers: 0 %, 18 %, 90 % and, where known, clip.
 * Where the clip's stops are not printed they are read off the curve; with no clip at all the curve is taken
 * to end at the top of the code range. Numbers that no log curve passes become a monotone table.
 */
export const profileFromAnchors = (
  anchors: readonly Anchor[],
  scale: ScaleId,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const read = readAnchors(anchors, scale, coding);
  if (!read.ok) return read;
  const { points, clipSignal, clipStops } = read.value;
  const { coefficients, band, residuals } = solveLog(points);
  const topSignal = SCALES.fullCodePercent.toSignal(100, coding);
  const named = residuals.map((signal, i) => ({ name: points[i].name, signal }));
  const tabled = Math.abs(worstOf(named).signal) > WORST_FIT && points.length >= ENOUGH_FOR_TABLE;
  const curve: CurveSpec = tabled
    ? { kind: 'table', rows: points.map(({ reflectance, signal }) => ({ reflectance, signal })) }
    : { kind: 'log', coefficients };
  const reached = reflectanceToStops(compileCurve(curve).decode(clipSignal ?? topSignal));
  const warnings = fitWarning(named, tabled);
  if (clipSignal === undefined) {
    warnings.push(noClipTyped(reached));
  }
  const readOff = clipSignal !== undefined && clipStops === undefined;
  return success({
    profile: {
      curve,
      gamut,
      clipStops: clipStops ?? reached,
      band: tabled ? undefined : band,
      anchors,
      anchorScale: scale,
    },
    residuals: named,
    warnings,
    findings: readOff ? [`Clip stop read off the curve: ${printStopsDecimal(reached)} over grey.`] : [],
    narrowing: tabled ? undefined : narrowestReading(points, clipStops ?? reached),
  });
};
