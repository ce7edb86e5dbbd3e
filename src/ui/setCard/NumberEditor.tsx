'use client';

import { useState } from 'react';

/** A typed number with steps; a number out of range is said, and what was there stays. */
export const NumberEditor = ({
  label,
  unit,
  value,
  min,
  max,
  step,
  onSet,
}: {
  label: string;
  unit: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onSet: (value: number) => void;
}) => {
  const [text, setText] = useState(String(value));
  const typed = Number(text.replace(',', '.'));
  const wrong = text.trim() === '' || !Number.isFinite(typed) || typed < min || typed > max;
  const set = (next: number) => {
    const held = Math.min(max, Math.max(min, next));
    setText(String(held));
    onSet(held);
  };
  return (
    <div className="number-editor">
      <div className="input-group">
        <button
          type="button"
          className="btn btn-outline-secondary"
          aria-label="less"
          onClick={() => set(value - step)}
        >
          −
        </button>
        <input
          className={`form-control${wrong ? ' is-invalid' : ''}`}
          aria-label={label}
          inputMode="decimal"
          value={text}
          autoFocus
          onChange={(event) => {
            setText(event.target.value);
            const next = Number(event.target.value.replace(',', '.'));
            if (event.target.value.trim() !== '' && next >= min && next <= max)
              onSet(Math.round(next / step) * step);
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowUp') set(value + step);
            if (event.key === 'ArrowDown') set(value - step);
          }}
        />
        <span className="input-group-text">{unit}</span>
        <button
          type="button"
          className="btn btn-outline-secondary"
          aria-label="more"
          onClick={() => set(value + step)}
        >
          +
        </button>
      </div>
      <p className={wrong ? 'field-error' : 'quiet small mb-0'}>
        {wrong
          ? `Type ${min} to ${max} ${unit}; ${value} ${unit} stays.`
          : `This camera: ${min} to ${max} ${unit} by ${step}.`}
      </p>
    </div>
  );
};
