'use client';

import Button from 'react-bootstrap/Button';
import { useFieldArray } from 'react-hook-form';
import { ANCHOR_NAMES } from '#core/profile/making.ts';
import { SelectField, TextField } from '#ui/forms/FormFields.tsx';
import {
  ANCHOR_IDS,
  KNOWN_OPTIONS,
  MAX_EXTRA,
  BLANK_PRINTED,
  printedFrom,
  rescaled,
  solvePrinted,
  type PrintedFields,
} from './printedModel.ts';
import { scaleOptions, type PaperScaleId } from './scaleOptions.ts';
import type { Way, WayProps } from './way.ts';
import { words } from '#ui/wording/kitWays.ts';

const Extra = ({ change }: Pick<WayProps<PrintedFields>, 'change'>) => {
  const { fields, append, remove } = useFieldArray<
    PrintedFields & { extra: { stops: string; reading: string; known: string }[] },
    'extra'
  >({ name: 'extra' });
  return (
    <>
      {fields.map(({ id }, i) => (
        <div className="anchor-wide extra" key={id}>
          <TextField name={`extra.${i}.stops`} label={words.cardAtStopOr} isNumber hint="−3" />
          <TextField name={`extra.${i}.reading`} label={words.reads} isNumber />
          <SelectField
            name={`extra.${i}.known`}
            label={words.lightIsKnownBy}
            options={[['', words.byWhatIsTyped], ...KNOWN_OPTIONS]}
          />
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() => {
              remove(i);
              change({});
            }}
          >
            {words.takeOff}
          </Button>
        </div>
      ))}
      {fields.length < MAX_EXTRA && (
        <div className="anchor-wide">
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() => append({ stops: '', reading: '', known: '' })}
          >
            {words.addAReadingOf}
          </Button>
        </div>
      )}
    </>
  );
};

const Fields = ({ fields, change, coding, example }: WayProps<PrintedFields>) => {
  const shown = example && printedFrom(example, coding, fields.scale);
  return (
    <>
      <SelectField
        name="scale"
        label={words.readingsIn}
        className="anchor-wide"
        options={scaleOptions(coding)}
        onPick={(scale) => change(rescaled(fields, scale as PaperScaleId, coding))}
      />
      {ANCHOR_IDS.map((id) => (
        <TextField
          key={id}
          name={id}
          label={ANCHOR_NAMES[id]}
          className="anchor"
          isNumber
          hint={shown?.[id] ?? words.none}
        />
      ))}
      <TextField
        name="clipStops"
        label={words.clipAtStop}
        className="anchor"
        isNumber
        hint={shown?.clipStops ?? words.none}
      />
      <Extra change={change} />
    </>
  );
};

const NAMED = Object.fromEntries(ANCHOR_IDS.map((id) => [ANCHOR_NAMES[id], id]));

export const printed: Way<PrintedFields> = {
  id: 'anchors',
  name: words.numbers,
  says: words.offTheMenuOr,
  start: () => BLANK_PRINTED,
  solve: solvePrinted,
  papers: [],
  fieldsAt: (where) => {
    if (where === 'clip stops') return ['clipStops'];
    return where.startsWith('extra.') ? [where] : (NAMED[where] ?? '').split(' ').filter(Boolean);
  },
  Fields,
};
