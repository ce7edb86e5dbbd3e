import { type ProfileData, type ProfileSolution } from '#core/profile/index.ts';
import { profileFromFormula, type Formula, type LogBase } from '#core/profile/making.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { failure, type Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';
import { parseNumber, parseStops } from '#core/units.ts';
import { words } from '#ui/wording/kitWays.ts';

/** Forms a maker prints, each with its own numbers; cut, toe and clip belong to both. */
export const FORMS = {
  log: { name: 'logarithm', says: words.yCLogA, numbers: ['a', 'b', 'c', 'd'] },
  power: { name: 'power', says: words.yGainXExponent, numbers: ['gain', 'exponent', 'offset'] },
} as const;
export type FormId = keyof typeof FORMS;
export const FORM_IDS = Object.keys(FORMS) as FormId[];

const SHARED_NUMBERS = ['cut', 'e', 'f', 'clip'] as const;
type NumberName = (typeof FORMS)[FormId]['numbers'][number] | (typeof SHARED_NUMBERS)[number];
/** The numbers that a form asks for. */
export const formulaNumbers = (form: FormId): readonly NumberName[] => [
  ...FORMS[form].numbers,
  ...SHARED_NUMBERS,
];

export type FormulaFields = { readonly [K in NumberName]: string } & {
  readonly form: FormId;
  readonly base: LogBase;
  readonly cutIn: Formula['cutIn'];
  readonly unit: Formula['unit'];
};

const short = (value: number) => Number(value.toPrecision(7)).toString();

const PLAIN_LOG = { a: 1, b: 0.01, c: 0.3, d: 0.62, cut: 0.005 };
const PLAIN_POWER = { gain: 1.1, exponent: 0.45, offset: -0.1, cut: 0.018 };

/** Nothing typed yet; in the form of the profile in use. */
export const blankFormula = ({ curve }: Pick<ProfileData, 'curve'>): FormulaFields => ({
  form: curve.kind === 'power' ? 'power' : 'log',
  base: '10',
  a: '',
  b: '',
  c: '',
  d: '',
  gain: '',
  exponent: '',
  offset: '',
  cut: '',
  e: '',
  f: '',
  cutIn: 'reflectance',
  unit: 'signal',
  clip: '',
});

/** The profile's own coefficients, or those of a plain curve, as an example. */
export const formulaFrom = (
  { curve, clipStops }: ProfileData,
  form: FormId = curve.kind === 'power' ? 'power' : 'log',
): FormulaFields => {
  const log = curve.kind === 'log' ? curve.coefficients : PLAIN_LOG;
  const power = curve.kind === 'power' ? curve.coefficients : PLAIN_POWER;
  return {
    ...blankFormula({ curve }),
    form,
    a: short(log.a),
    b: short(log.b),
    c: short(log.c),
    d: short(log.d),
    gain: short(power.gain),
    exponent: short(power.exponent),
    offset: short(power.offset),
    cut: short(form === 'power' ? power.cut : log.cut),
    clip: short(clipStops),
  };
};

const optional = (text: string) => (text.trim() === '' ? undefined : parseNumber(text));

const toFormula = (fields: FormulaFields): Formula => {
  const toe = { e: parseNumber(fields.e), f: parseNumber(fields.f) };
  const common = {
    cut: optional(fields.cut),
    cutIn: fields.cutIn,
    unit: fields.unit,
    toe: Number.isFinite(toe.e) && Number.isFinite(toe.f) ? toe : undefined,
    clipStops: parseStops(fields.clip),
  };
  return fields.form === 'log'
    ? {
        form: 'log',
        base: fields.base,
        a: parseNumber(fields.a),
        b: parseNumber(fields.b),
        c: parseNumber(fields.c),
        d: parseNumber(fields.d),
        ...common,
      }
    : {
        form: 'power',
        gain: parseNumber(fields.gain),
        exponent: parseNumber(fields.exponent),
        offset: parseNumber(fields.offset),
        ...common,
      };
};

export const solveFormula = (
  fields: FormulaFields,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  if ((fields.e.trim() === '') !== (fields.f.trim() === ''))
    return failure('e f', 'The toe needs both e and f, or neither for the tangent.');
  if (fields.clip.trim() !== '' && parseStops(fields.clip) === undefined)
    return failure('clip', `Clip: type stops such as 6, not “${fields.clip.slice(0, 20)}”.`);
  return profileFromFormula(toFormula(fields), coding, gamut);
};
