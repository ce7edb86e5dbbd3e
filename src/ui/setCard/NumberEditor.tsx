'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import * as z from 'zod/mini';
import { between } from '#store/records/common.ts';
import { NumberField } from '../forms/NumberField.tsx';
import { printNumber } from '../forms/numberText.ts';
import { words } from '#ui/wording/setCardOpened.ts';

/** A typed number with steps, in the steps that the camera has. */
export const NumberEditor = ({
  label,
  unit,
  value,
  min,
  max,
  step,
  first,
  onSet,
}: {
  label: string;
  unit: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** Takes the focus when the editor opens. */
  first: boolean;
  onSet: (value: number) => void;
}) => {
  const span = `${printNumber(min)} to ${printNumber(max)}`;
  const inSteps = z.transform((typed: number) => Math.round(typed / step) * step);
  const schema = z.pipe(between(min, max), inSteps);
  const move = (by: number) => onSet(Math.min(max, Math.max(min, value + by)));
  return (
    <div className="number-editor">
      <InputGroup>
        <InputGroup.Text className="number-label">{label}</InputGroup.Text>
        <Button variant="outline-secondary" aria-label={words.lessNamed(label)} onClick={() => move(-step)}>
          −
        </Button>
        <NumberField
          isInline
          label={label}
          rule={{ schema, says: words.type(span, unit) }}
          value={value}
          step={step}
          autoFocus={first}
          onSet={onSet}
        />
        <Button variant="outline-secondary" aria-label={words.moreNamed(label)} onClick={() => move(step)}>
          +
        </Button>
      </InputGroup>
      <Form.Text className="quiet small">
        {span} by {printNumber(step)}, {unit}
      </Form.Text>
    </div>
  );
};
