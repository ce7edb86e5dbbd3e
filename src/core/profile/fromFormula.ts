import type { GamutSpec } from '../colour/gamut.ts';
import { failure, success, type Result } from '../result.ts';
import { SCALES, type Coding } from '../signal/scale.ts';
import {
  logContinuity,
  logTransfer,
  powerContinuity,
  powerTransfer,
  tangentLog,
  type LogCoefficients,
  type PowerCoefficients,
  type TransferFunction,
} from '../transfer/index.ts';
import { printStopsDecimal, reflectanceToStops, stopsToReflectance } from '../units.ts';
import type { ProfileSolution } from './solution.ts';
import type { CurveSpec } from './types.ts';
import { overTopCode, poleOverCut, poleWithoutCut } from './profileWords.ts';

/** Bases a printed formula may use. */
export const LOG_BASES = { '2': 2, e: Math.E, '10': 10 } as const;
export type LogBase = keyof typeof LOG_BASES;

type Common = {
  /** Where the line takes over, in reflectance or in the formula's own y; without it there is no line. */
  readonly cut?: number;
  readonly cutIn: 'reflectance' | 'signal';
  /** y = e x + f under the cut; without them the tangent is taken. */
  readonly toe?: { readonly e: number; readonly f: number };
  /** What y = 1 is: the top code, or 100 % of signal. */
  readonly unit: 'topCode' | 'signal';
  /** Clip in stops over grey; without it the curve ends at the top code. */
  readonly clipStops?: number;
};

/** y = c log_base(a x + b) + d, as a maker prints it. */
export type LogFormula = Common & {
  readonly form: 'log';
  readonly base: LogBase;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
};

/** y = gain x^exponent + offset. */
type PowerFormula = Common & {
  readonly form: 'power';
  readonly gain: number;
  readonly exponent: number;
  readonly offset: number;
};

export type Formula = LogFormula | PowerFormula;

/** Breaks at the cut that are worth a word: in signal, and in relative slope. */
const VALUE_BREAK = 0.001;
const SLOPE_BREAK = 0.02;
/** Where a power without a line is handed to its tangent: under it no camera tells light apart. */
const POWER_CUT = 1e-5;

/** A formula on the project's scales: reflectance in, signal fraction out. */
type Normalised = {
  readonly curve: CurveSpec;
  readonly transfer: TransferFunction;
  readonly continuity: { readonly value: number; readonly slope: number };
};

type Scale = { readonly offset: number; readonly scale: number };
const scaleOf = (unit: Formula['unit'], coding: Coding): Scale => {
  const toSignal = (y: number) => (unit === 'signal' ? y : SCALES.fullCodePercent.toSignal(100 * y, coding));
  return { offset: toSignal(0), scale: toSignal(1) - toSignal(0) };
};

const normaliseLog = (formula: LogFormula, { offset, scale }: Scale): Result<Normalised> => {
  const { a, b, toe } = formula;
  for (const name of ['a', 'b', 'c', 'd'] as const)
    if (!Number.isFinite(formula[name])) return failure(name, `Type a number for ${name}.`);
  if (!(a > 0 && formula.c > 0)) return failure('a and c', 'a and c must be above 0: the curve has to rise.');
  const pole = -b / a;
  if (formula.cut === undefined && pole >= 0) return failure('cut', poleWithoutCut(pole));
  const c = (formula.c / Math.log10(LOG_BASES[formula.base])) * scale;
  const d = formula.d * scale + offset;
  const typed = formula.cut ?? 0;
  const cut =
    formula.cutIn === 'reflectance' || formula.cut === undefined
      ? typed
      : (10 ** ((typed * scale + offset - d) / c) - b) / a;
  if (!(a * cut + b > 0)) return failure('cut', poleOverCut(a * cut + b, pole));
  const tangent = tangentLog(b / a, cut, c, d + c * Math.log10(a));
  const line = toe ? { e: toe.e * scale, f: toe.f * scale + offset } : { e: tangent.e, f: tangent.f };
  const coefficients: LogCoefficients = { a, b, c, d, cut, ...line };
  return success({
    curve: { kind: 'log', coefficients },
    transfer: logTransfer(coefficients),
    continuity: logContinuity(coefficients),
  });
};

const normalisePower = (formula: PowerFormula, { offset, scale }: Scale): Result<Normalised> => {
  for (const name of ['gain', 'exponent', 'offset'] as const)
    if (!Number.isFinite(formula[name])) return failure(name, `Type a number for ${name}.`);
  const { gain, exponent, toe } = formula;
  if (!(gain > 0 && exponent > 0))
    return failure(
      'gain exponent',
      'gain and exponent must be above 0: the curve has to rise, without a pole.',
    );
  const given = formula.cut ?? POWER_CUT;
  const cut =
    formula.cutIn === 'reflectance' || formula.cut === undefined
      ? given
      : (Math.max(0, given - formula.offset) / gain) ** (1 / exponent);
  if (!(cut > 0)) return failure('cut', 'The cut must lie above black: the tangent has no slope there.');
  const coefficients: PowerCoefficients = {
    gain: gain * scale,
    exponent,
    offset: formula.offset * scale + offset,
    cut,
    line: toe && { e: toe.e * scale, f: toe.f * scale + offset },
  };
  return success({
    curve: { kind: 'power', coefficients },
    transfer: powerTransfer(coefficients),
    continuity: powerContinuity(coefficients),
  });
};

/** A profile from a printed formula; continuity at the cut is checked and reported. */
export const profileFromFormula = (
  formula: Formula,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  if (formula.cut !== undefined && !Number.isFinite(formula.cut))
    return failure('cut', 'Type a number for cut, or leave it empty for a curve without a line.');
  if (formula.toe && !(formula.toe.e > 0)) return failure('e', 'e, the slope of the toe, must be above 0.');
  const scale = scaleOf(formula.unit, coding);
  const normal = formula.form === 'log' ? normaliseLog(formula, scale) : normalisePower(formula, scale);
  if (!normal.ok) return normal;
  const { curve, transfer, continuity } = normal.value;
  const { encode, decode } = transfer;
  const grey = encode(0.18);
  const top = SCALES.fullCodePercent.toSignal(100, coding);
  if (!(grey > 0 && grey < top)) {
    return failure(
      'formula',
      `Grey would read ${(100 * grey).toFixed(1)} % of signal: check the base and what y = 1 is.`,
    );
  }
  const reached = reflectanceToStops(decode(top));
  const { clipStops } = formula;
  const warnings = [
    ...(Math.abs(continuity.value) > VALUE_BREAK
      ? [`Breaks by ${printStopsDecimal(100 * continuity.value, 2)} % of signal at the cut.`]
      : []),
    ...(Math.abs(continuity.slope) > SLOPE_BREAK
      ? [`The slope changes by ${printStopsDecimal(100 * continuity.slope, 0)} % at the cut; some curves do.`]
      : []),
    ...(clipStops === undefined
      ? [`No clip typed: taken at the top code, ${printStopsDecimal(reached)} over grey.`]
      : []),
    ...(clipStops !== undefined && encode(stopsToReflectance(clipStops)) > top + 0.01
      ? [overTopCode(clipStops, reached)]
      : []),
  ];
  return success({
    profile: { curve, gamut, clipStops: Math.min(clipStops ?? reached, reached) },
    residuals: [],
    warnings,
    continuity,
  });
};
