'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';

const printStep = (value: number) => `${value}`.replace('-', '\u2212');

const typedText = (text: string) => text.replace(',', '.').replace('\u2212', '-');

/** A typed number with steps; a number out of range is said, and what was there stays. */
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
  const [text, setText] = useState(String(value));
  const typed = Number(typedText(text));
  const wrong = text.trim() === '' || !Number.isFinite(typed) || typed < min || typed > max;
  const set = (next: number) => {
    const held = Math.min(max, Math.max(min, next));
    setText(String(held));
    onSet(held);
  };
  return (
    <div className="number-editor">
      <div className="input-group">
        <span className="input-group-text number-label">{label}</span>
        <Button variant="outline-secondary" aria-label={`${label} less`} onClick={() => set(value - step)}>
          −
        </Button>
        <Form.Control
          isInvalid={wrong}
          aria-label={label}
          inputMode="decimal"
          value={text}
          autoFocus={first}
          onChange={(event) => {
            setText(event.target.value);
            const next = Number(typedText(event.target.value));
            if (event.target.value.trim() !== '' && next >= min && next <= max)
              onSet(Math.round(next / step) * step);
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowUp') set(value + step);
            if (event.key === 'ArrowDown') set(value - step);
          }}
        />
        <Button variant="outline-secondary" aria-label={`${label} more`} onClick={() => set(value + step)}>
          +
        </Button>
      </div>
      <p className={wrong ? 'field-error' : 'quiet small mb-0'}>
        {wrong
          ? `Type ${min} to ${max} ${unit}; ${value} ${unit} stays.`
          : `${printStep(min)} to ${max} by ${step}, ${unit}`}
      </p>
    </div>
  );
};
