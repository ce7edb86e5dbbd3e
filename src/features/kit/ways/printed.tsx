'use client';

import Button from 'react-bootstrap/Button';
import { useFieldArray } from 'react-hook-form';
import { ANCHOR_NAMES } from '#core/profile/index.ts';
import type { ScaleId } from '#core/signal/scale.ts';
import { SelectField, TextField } from '#ui/forms/FormFields.tsx';
import {
  ANCHOR_IDS,
  MAX_EXTRA,
  printedFrom,
  rescaled,
  solvePrinted,
  typedOver,
  type PrintedFields,
} from './printedModel.ts';
import { SCALE_OPTIONS } from './scaleOptions.ts';
import type { Way, WayProps } from './way.ts';

const Extra = ({ change }: Pick<WayProps<PrintedFields>, 'change'>) => {
  const { fields, append, remove } = useFieldArray<
    PrintedFields & { extra: { stops: string; reading: string }[] },
    'extra'
  >({ name: 'extra' });
  return (
    <>
      {fields.map(({ id }, i) => (
        <div className="anchor-wide extra" key={id}>
          <TextField name={`extra.${i}.stops`} label="Card at stop, or a chip’s %" isNumber hint="−3" />
          <TextField name={`extra.${i}.reading`} label="reads" isNumber />
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() => {
              remove(i);
              change({});
            }}
          >
            Take off
          </Button>
        </div>
      ))}
      {fields.length < MAX_EXTRA && (
        <div className="anchor-wide">
          <Button variant="outline-secondary" size="sm" onClick={() => append({ stops: '', reading: '' })}>
            Add a reading of your own
          </Button>
        </div>
      )}
    </>
  );
};

const Fields = ({ fields, change, coding }: WayProps<PrintedFields>) => {
  const over = (part: Parameters<typeof typedOver>[1]) => change(typedOver(fields, part));
  return (
    <>
      <SelectField
        name="scale"
        label="Readings in"
        className="anchor-wide"
        options={SCALE_OPTIONS}
        onPick={(scale) => change(rescaled(fields, scale as ScaleId, coding))}
      />
      {ANCHOR_IDS.map((id) => (
        <TextField
          key={id}
          name={id}
          label={ANCHOR_NAMES[id]}
          className="anchor"
          isNumber
          hint="none"
          onType={(text) => over({ [id]: text })}
        />
      ))}
      <TextField
        name="clipStops"
        label="clip at stop"
        className="anchor"
        isNumber
        hint="none"
        onType={(clipStops) => over({ clipStops })}
      />
      <Extra change={change} />
    </>
  );
};

const NAMED = Object.fromEntries(ANCHOR_IDS.map((id) => [ANCHOR_NAMES[id], id]));

export const printed: Way<PrintedFields> = {
  id: 'anchors',
  name: 'Numbers',
  says: 'Off the menu or the paper: readings at 0 %, 18 %, 90 % and clip.',
  start: (data, coding) => printedFrom(data, coding),
  solve: solvePrinted,
  papers: ['ownClip'],
  fieldsAt: (where) => {
    if (where === 'clip stops') return ['clipStops'];
    return where.startsWith('extra.') ? [where] : (NAMED[where] ?? '').split(' ').filter(Boolean);
  },
  Fields,
};
