'use client';

import { Trash2 } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { positiveTo } from '#store/records/common.ts';
import { thingSchema, type Thing } from '#store/records/wardrobe.ts';
import { NameField } from '#ui/forms/NameField.tsx';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { words } from '#ui/wording/planColours.ts';

/** Millimetres a fine check repeats in: the example that stands where none was typed. */
const FINE_CHECK = 3;

/** One colour: its name, where it is, what it looks in daylight, its pattern. */
export const ThingRow = ({
  thing,
  onChange,
  onRemove,
}: {
  thing: Thing;
  onChange: (thing: Thing) => void;
  onRemove: () => void;
}) => (
  <li className="thing">
    <NameField
      label={words.nameOf}
      schema={thingSchema.shape.name}
      value={thing.name}
      onSet={(name) => onChange({ ...thing, name })}
    />
    <Form.Select
      size="sm"
      aria-label={words.where(thing.name)}
      value={thing.where}
      onChange={(event) => onChange({ ...thing, where: event.target.value as Thing['where'] })}
    >
      <option value="worn">{words.worn}</option>
      <option value="behind">{words.behind}</option>
    </Form.Select>
    <Form.Control
      key={thing.hex}
      type="color"
      size="sm"
      aria-label={words.colourOf(thing.name)}
      defaultValue={thing.hex}
      onBlur={(event) => {
        if (event.target.value !== thing.hex) onChange({ ...thing, hex: event.target.value });
      }}
    />
    <NumberField
      label={words.repeatOf(thing.name)}
      isInline
      size="sm"
      rule={{ schema: positiveTo(1000), says: words.typeRepeat }}
      value={thing.repeat ?? FINE_CHECK}
      isExample={thing.repeat === undefined}
      onSet={(repeat) => onChange({ ...thing, repeat })}
    />
    <Button variant="bare" className="icon-button" aria-label={words.remove(thing.name)} onClick={onRemove}>
      <Trash2 size={15} aria-hidden />
    </Button>
  </li>
);
