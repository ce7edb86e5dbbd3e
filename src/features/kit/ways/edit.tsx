'use client';

import Form from 'react-bootstrap/Form';
import { editFrom, solveEdit, type EditFields } from './editModel.ts';
import type { Way, WayProps } from './way.ts';

const TEXTS = [
  ['lift', 'Black level, %', 'black level', '0'],
  ['kneeFrom', 'Knee from, %', 'knee', 'no knee'],
  ['kneeReads', 'reads at clip, %', 'knee', 'no knee'],
  ['clip', 'clip at stop', 'clip', ''],
] as const;

const Fields = ({ fields, onChange, failure }: WayProps<EditFields>) => (
  <>
    <p className="anchor-wide quiet">
      What the camera’s own menu trims on top of the profile. Percent of signal; black level moves the whole
      signal.
    </p>
    {TEXTS.map(([name, label, where, empty]) => (
      <div className="anchor-half" key={name}>
        <label htmlFor={`edit-${name}`}>{label}</label>
        <Form.Control
          id={`edit-${name}`}
          isInvalid={failure?.where === where}
          className="num"
          inputMode="decimal"
          autoComplete="off"
          placeholder={empty}
          value={fields[name]}
          onChange={(event) => onChange({ ...fields, [name]: event.target.value })}
        />
      </div>
    ))}
  </>
);

export const edit: Way<EditFields> = {
  id: 'edit',
  name: 'Trim',
  says: 'The profile in use with its black level and knee as the camera is set.',
  start: editFrom,
  solve: (fields, _coding, gamut) => solveEdit(fields, gamut),
  Fields,
};
