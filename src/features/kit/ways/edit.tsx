'use client';

import { TextField } from '#ui/forms/FormFields.tsx';
import { editFrom, solveEdit, type EditFields } from './editModel.ts';
import type { Way } from './way.ts';
import { words } from '#ui/wording/kitWays.ts';

/** Trims: field, its label, what a failure calls it, and what an empty one means. */
const TRIMS = [
  ['lift', 'Black level, %', 'black level', '0'],
  ['kneeFrom', 'Knee from, %', 'knee', 'no knee'],
  ['kneeReads', 'reads at clip, %', 'knee', 'no knee'],
  ['clip', 'clip at stop', 'clip', ''],
] as const;

const Fields = () => (
  <>
    <p className="anchor-wide quiet">
      What the camera’s own menu trims on top of the profile. Percent of signal; black level moves the whole
      signal.
    </p>
    {TRIMS.map(([name, label, , empty]) => (
      <TextField key={name} name={name} label={label} className="anchor-half" isNumber hint={empty} />
    ))}
  </>
);

export const edit: Way<EditFields> = {
  id: 'edit',
  name: words.trim,
  says: words.theProfileInUse,
  start: editFrom,
  solve: (fields, _coding, gamut) => solveEdit(fields, gamut),
  papers: ['data'],
  fieldsAt: (where) => TRIMS.flatMap(([name, , called]) => (called === where ? [name] : [])),
  Fields,
};
