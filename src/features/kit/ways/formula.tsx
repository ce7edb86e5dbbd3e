'use client';

import Form from 'react-bootstrap/Form';
import { LOG_BASES, type LogBase } from '#core/profile/index.ts';
import {
  FORM_IDS,
  FORMS,
  formulaFrom,
  SHARED_NUMBERS,
  solveFormula,
  type FormId,
  type FormulaFields,
} from './formulaModel.ts';
import { Choice } from './Choice.tsx';
import type { Way, WayProps } from './way.ts';

const LABELS: Readonly<Record<string, string>> = { e: 'e (toe)', f: 'f (toe)', clip: 'clip, stops' };
const EMPTY: Readonly<Record<string, string>> = {
  cut: 'no line',
  e: 'tangent',
  f: 'tangent',
  clip: 'top code',
};

const Fields = ({ fields, onChange, failure }: WayProps<FormulaFields>) => {
  const change = (part: Partial<FormulaFields>) => onChange({ ...fields, ...part });
  const numbers = [...FORMS[fields.form].numbers, ...SHARED_NUMBERS];
  return (
    <>
      <Choice<FormId>
        id="formula-form"
        label="Form"
        value={fields.form}
        options={FORM_IDS.map((id) => [id, FORMS[id].name])}
        onPick={(form) => change({ form })}
      />
      {fields.form === 'log' && (
        <Choice<LogBase>
          id="formula-base"
          label="base"
          value={fields.base}
          options={(Object.keys(LOG_BASES) as LogBase[]).map((base) => [base, base])}
          onPick={(base) => change({ base })}
        />
      )}
      <p className="anchor-wide formula num">{FORMS[fields.form].says}; y = e·x + f under the cut</p>
      <Choice
        id="formula-unit"
        label="y = 1 is"
        value={fields.unit}
        options={[
          ['signal', '100 % of signal'],
          ['topCode', 'the top code'],
        ]}
        onPick={(unit) => change({ unit })}
      />
      <Choice
        id="formula-cut-in"
        label="cut is in"
        value={fields.cutIn}
        options={[
          ['reflectance', 'reflectance (x)'],
          ['signal', 'signal (y)'],
        ]}
        onPick={(cutIn) => change({ cutIn })}
      />
      {numbers.map((name) => (
        <div className="anchor-quarter" key={name}>
          <label htmlFor={`formula-${name}`}>{LABELS[name] ?? name}</label>
          <Form.Control
            id={`formula-${name}`}
            isInvalid={failure?.where.split(' ').includes(name)}
            className="num"
            inputMode="decimal"
            autoComplete="off"
            placeholder={EMPTY[name]}
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
  start: formulaFrom,
  solve: solveFormula,
  Fields,
};
