import type { GamutSpec } from '../colour/gamut.ts';
import { failure, success, type Result } from '../result.ts';
import { SCALES, type Coding } from '../signal/scale.ts';
import { logContinuity, logTransfer, tangentLog, type LogCoefficients } from '../transfer/index.ts';
import { printStopsDecimal, reflectanceToStops, stopsToReflectance } from '../units.ts';
import type { ProfileSolution } from './solution.ts';

/** Bases a printed formula may use. */
export const LOG_BASES = { '2': 2, e: Math.E, '10': 10 } as const;
export type LogBase = keyof typeof LOG_BASES;

/** y = c log_base(a x + b) + d, as a maker prints it. */
export type Formula = {
  readonly base: LogBase;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  /** Where the line takes over; in reflectance or in the formula's own y. */
  readonly cut: number;
  readonly cutIn: 'reflectance' | 'signal';
  /** y = e x + f under the cut; without them the tangent is taken. */
  readonly toe?: { readonly e: number; readonly f: number };
  /** What y = 1 is: the top code, or 100 % of signal. */
  readonly unit: 'topCode' | 'signal';
  /** Clip in stops over grey; without it the curve ends at the top code. */
  readonly clipStops?: number;
};

/** Breaks at the cut that are worth a word: in signal, and in relative slope. */
const VALUE_BREAK = 0.001;
const SLOPE_BREAK = 0.02;

/** The formula on the project's scales: base 10, reflectance in, signal fraction out. */
const normalise = (formula: Formula, coding: Coding): LogCoefficients => {
  const { a, b, base, toe } = formula;
  const toSignal = (y: number) =>
    formula.unit === 'signal' ? y : SCALES.fullCodePercent.toSignal(100 * y, coding);
  const offset = toSignal(0);
  const scale = toSignal(1) - offset;
  const c = (formula.c / Math.log10(LOG_BASES[base])) * scale;
  const d = formula.d * scale + offset;
  const cut =
    formula.cutIn === 'reflectance' ? formula.cut : (10 ** ((toSignal(formula.cut) - d) / c) - b) / a;
  if (toe) return { a, b, c, d, cut, e: toe.e * scale, f: toe.f * scale + offset };
  const tangent = tangentLog(b / a, cut, c, d + c * Math.log10(a));
  return { a, b, c, d, cut, e: tangent.e, f: tangent.f };
};

const badNumber = (formula: Formula) =>
  (['a', 'b', 'c', 'd', 'cut'] as const).find((name) => !Number.isFinite(formula[name]));

/** A profile from a printed formula; continuity at the cut is checked and reported. */
export const profileFromFormula = (
  formula: Formula,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const missing = badNumber(formula);
  if (missing) return failure(missing, `Type a number for ${missing}.`);
  if (!(formula.a > 0 && formula.c > 0))
    return failure('a and c', 'a and c must be above 0: the curve has to rise.');
  if (formula.toe && !(formula.toe.e > 0)) return failure('e', 'e, the slope of the toe, must be above 0.');
  const { a, b, cut } = formula;
  if (formula.cutIn === 'reflectance' && !(a * cut + b > 0)) {
    return failure(
      'cut',
      `a × cut + b is ${(a * cut + b).toPrecision(3)}: no logarithm there. Check b and the cut.`,
    );
  }
  const coefficients = normalise(formula, coding);
  const { encode, decode } = logTransfer(coefficients);
  const grey = encode(0.18);
  const top = SCALES.fullCodePercent.toSignal(100, coding);
  if (!(grey > 0 && grey < top)) {
    return failure(
      'formula',
      `Grey would read ${(100 * grey).toFixed(1)} % of signal: check the base and what y = 1 is.`,
    );
  }
  const reached = reflectanceToStops(decode(top));
  const { value, slope } = logContinuity(coefficients);
  const warnings = [
    ...(Math.abs(value) > VALUE_BREAK
      ? [`Breaks by ${printStopsDecimal(100 * value, 2)} % of signal at the cut.`]
      : []),
    ...(Math.abs(slope) > SLOPE_BREAK
      ? [`The slope changes by ${printStopsDecimal(100 * slope, 0)} % at the cut; some curves do.`]
      : []),
    ...(formula.clipStops === undefined
      ? [`No clip typed: taken at the top code, ${printStopsDecimal(reached)} over grey.`]
      : []),
    ...(formula.clipStops !== undefined && encode(stopsToReflectance(formula.clipStops)) > top + 0.01
      ? [
          `At ${printStopsDecimal(formula.clipStops)} the formula is over the top code: the clip comes at ${printStopsDecimal(reached)}.`,
        ]
      : []),
  ];
  return success({
    profile: {
      curve: { kind: 'log', coefficients },
      gamut,
      clipStops: Math.min(formula.clipStops ?? reached, reached),
    },
    residuals: [],
    warnings,
  });
};
