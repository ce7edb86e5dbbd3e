'use client';

import { LOG_BASES } from '#core/profile/making.ts';
import { SelectField, TextField } from '#ui/forms/FormFields.tsx';
import {
  FORM_IDS,
  FORMS,
  blankFormula,
  formulaFrom,
  formulaNumbers,
  solveFormula,
  type FormulaFields,
} from './formulaModel.ts';
import { UNIT_OPTIONS } from './scaleOptions.ts';
import type { Way, WayProps } from './way.ts';
import { words } from '#ui/wording/kitWays.ts';

const LABELS: Readonly<Record<string, string>> = { e: 'e (toe)', f: 'f (toe)', clip: 'clip, stops' };
const EMPTY: Readonly<Record<string, string>> = {
  cut: 'no line',
  e: 'tangent',
  f: 'tangent',
  clip: 'top code',
};

const Fields = ({ fields: { form }, example }: WayProps<FormulaFields>) => {
  const shown = example && formulaFrom(example, form);
  return (
    <>
      <SelectField
        name="form"
        label={words.form}
        className="anchor-half"
        options={FORM_IDS.map((id) => [id, FORMS[id].name])}
      />
      {form === 'log' && (
        <SelectField
          name="base"
          label={words.base}
          className="anchor-half"
          options={Object.keys(LOG_BASES).map((base) => [base, base])}
        />
      )}
      <p className="anchor-wide formula num">{FORMS[form].says}; y = e·x + f under the cut</p>
      <SelectField name="unit" label={words.y1Is} className="anchor-half" options={UNIT_OPTIONS} />
      <SelectField
        name="cutIn"
        label={words.cutIsIn}
        className="anchor-half"
        options={[
          ['reflectance', 'reflectance (x)'],
          ['signal', 'signal (y)'],
        ]}
      />
      {formulaNumbers(form).map((name) => (
        <TextField
          key={name}
          name={name}
          label={LABELS[name] ?? name}
          className="anchor-quarter"
          isNumber
          hint={shown?.[name] || EMPTY[name]}
        />
      ))}
    </>
  );
};

export const formula: Way<FormulaFields> = {
  id: 'formula',
  name: words.formula,
  says: words.theMakersPrintedFormula,
  start: blankFormula,
  solve: solveFormula,
  papers: [],
  fieldsAt: (where, { form }) =>
    where.split(' ').filter((name) => (formulaNumbers(form) as readonly string[]).includes(name)),
  Fields,
};
