'use client';

import {
  LOG_BASES,
  profileFromFormula,
  type Formula,
  type LogBase,
  type ProfileData,
} from '#core/profile/index.ts';
import { parseStops } from '#core/units.ts';
import { typed, type Way, type WayProps } from './way.ts';

const NUMBERS = ['a', 'b', 'c', 'd', 'cut', 'e', 'f', 'clip'] as const;

type FormulaFields = { readonly [K in (typeof NUMBERS)[number]]: string } & {
  readonly base: LogBase;
  readonly cutIn: Formula['cutIn'];
  readonly unit: Formula['unit'];
};

const short = (value: number) => Number(value.toPrecision(7)).toString();

/** A log profile's own coefficients; for any other a plain log to type over. */
const start = ({ curve, clipStops }: ProfileData): FormulaFields => {
  const k = curve.kind === 'log' ? curve.coefficients : { a: 1, b: 0.01, c: 0.3, d: 0.62, cut: 0.005 };
  return {
    base: '10',
    a: short(k.a),
    b: short(k.b),
    c: short(k.c),
    d: short(k.d),
    cut: short(k.cut),
    e: '',
    f: '',
    cutIn: 'reflectance',
    unit: 'signal',
    clip: short(clipStops),
  };
};

const toFormula = (fields: FormulaFields): Formula => {
  const toe = { e: typed(fields.e), f: typed(fields.f) };
  return {
    base: fields.base,
    a: typed(fields.a),
    b: typed(fields.b),
    c: typed(fields.c),
    d: typed(fields.d),
    cut: typed(fields.cut),
    cutIn: fields.cutIn,
    unit: fields.unit,
    toe: Number.isFinite(toe.e) && Number.isFinite(toe.f) ? toe : undefined,
    clipStops: parseStops(fields.clip),
  };
};

const LABELS = {
  a: 'a',
  b: 'b',
  c: 'c',
  d: 'd',
  cut: 'cut',
  e: 'e (toe)',
  f: 'f (toe)',
  clip: 'clip, stops',
} as const;

const Fields = ({ fields, onChange, failure }: WayProps<FormulaFields>) => {
  const change = (part: Partial<FormulaFields>) => onChange({ ...fields, ...part });
  return (
    <>
      <p className="anchor-wide formula num">y = c · log(a·x + b) + d; y = e·x + f under the cut</p>
      <div className="anchor">
        <label htmlFor="formula-base">base</label>
        <select
          id="formula-base"
          className="form-select"
          value={fields.base}
          onChange={(event) => change({ base: event.target.value as LogBase })}
        >
          {Object.keys(LOG_BASES).map((base) => (
            <option key={base}>{base}</option>
          ))}
        </select>
      </div>
      <div className="anchor-four">
        <label htmlFor="formula-unit">y = 1 is</label>
        <select
          id="formula-unit"
          className="form-select"
          value={fields.unit}
          onChange={(event) => change({ unit: event.target.value as Formula['unit'] })}
        >
          <option value="signal">100 % of signal</option>
          <option value="topCode">the top code</option>
        </select>
      </div>
      <div className="anchor-four">
        <label htmlFor="formula-cut-in">cut is in</label>
        <select
          id="formula-cut-in"
          className="form-select"
          value={fields.cutIn}
          onChange={(event) => change({ cutIn: event.target.value as Formula['cutIn'] })}
        >
          <option value="reflectance">reflectance (x)</option>
          <option value="signal">signal (y)</option>
        </select>
      </div>
      {NUMBERS.map((name) => (
        <div className="anchor-quarter" key={name}>
          <label htmlFor={`formula-${name}`}>{LABELS[name]}</label>
          <input
            id={`formula-${name}`}
            className={`form-control num${failure?.where.split(' ').includes(name) ? ' is-invalid' : ''}`}
            inputMode="decimal"
            autoComplete="off"
            placeholder={name === 'e' || name === 'f' ? 'tangent' : name === 'clip' ? 'top code' : ''}
            value={fields[name]}
            onChange={(event) => change({ [name]: event.target.value })}
          />
        </div>
      ))}
    </>
  );
};

export const formula: Way<FormulaFields> = {
  id: 'formula',
  name: 'Formula',
  says: 'The maker’s printed formula; continuity at the cut is checked.',
  start,
  solve: (fields, coding, gamut) => profileFromFormula(toFormula(fields), coding, gamut),
  Fields,
};
