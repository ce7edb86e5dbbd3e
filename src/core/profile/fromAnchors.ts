import type { GamutSpec } from '../colour/gamut.ts';
import { success, type Result } from '../result.ts';
import { SCALES, type Coding, type ScaleId } from '../signal/scale.ts';
import { printStopsDecimal, reflectanceToStops } from '../units.ts';
import { readAnchors, type AnchorPoint } from './anchors.ts';
import { compileCurve } from './compile.ts';
import { worstOf, type ProfileSolution } from './solution.ts';
import { solveCurve } from './solve/solveCurve.ts';
import type { Anchor, CurveReading } from './types.ts';
import { noClipTyped, notOneLogCurve } from './profileWords.ts';

const readingOf = ({ reflectance, signal, sigma, rounded, placeSd }: AnchorPoint): CurveReading => ({
  reflectance,
  signal,
  sigma,
  ...(rounded ? { rounded } : {}),
  placeSd,
});

/**
 * A profile from printed numbers: 0 %, 18 %, 90 % and, where known, clip.
 * Where the clip's stops are not printed they are read off the curve; with no clip at all the curve is taken
 * to end at the top of the code range. Numbers of another form become a monotone table with its band.
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
  const { curve, band, residuals, logResiduals, published, narrowing } = solveCurve(points);
  const topSignal = SCALES.fullCodePercent.toSignal(100, coding);
  const named = (signals: readonly number[]) =>
    signals.map((signal, i) => ({ name: points[i].name, signal }));
  const reached = reflectanceToStops(compileCurve(curve).decode(clipSignal ?? topSignal));
  const warnings = curve.kind === 'log' ? [] : [notOneLogCurve(worstOf(named(logResiduals)), published)];
  if (clipSignal === undefined) {
    warnings.push(noClipTyped(reached));
  }
  const readOff = clipSignal !== undefined && clipStops === undefined;
  return success({
    profile: {
      curve,
      gamut,
      clipStops: clipStops ?? reached,
      band,
      anchors,
      anchorScale: scale,
    },
    residuals: named(residuals),
    warnings,
    findings: readOff ? [`Clip stop read off the curve: ${printStopsDecimal(reached)} over grey.`] : [],
    narrowing: narrowing(clipStops ?? reached),
    evidence: { readings: points.map(readingOf), clipStops },
  });
};
