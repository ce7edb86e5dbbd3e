'use client';

import { useId } from 'react';
import Form from 'react-bootstrap/Form';
import { words } from '#ui/wording/lutsParts.ts';

/** A number on a line: dragged, stepped by arrow keys, or back to where it was by double-click. */
export const Slider = ({
  label,
  says,
  value,
  min,
  max,
  step,
  shown,
  moved = false,
  onSet,
  onCommit,
  onReset,
}: {
  label: string;
  says?: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The value in words. */
  shown: string;
  /** Away from where it starts. */
  moved?: boolean;
  onSet: (value: number) => void;
  /** The pointer or the key is let go. */
  onCommit?: () => void;
  onReset: () => void;
}) => {
  const id = useId();
  return (
    <div className="slider" title={says}>
      <label htmlFor={id}>
        {label}
        {moved && <span className="notch" title={words.movedDoubleClickTo} />}
      </label>
      <Form.Range
        id={id}
        min={min}
        max={max}
        step={step}
        value={value}
        aria-valuetext={shown}
        onChange={(event) => onSet(Number(event.target.value))}
        onPointerUp={onCommit}
        onKeyUp={onCommit}
        onDoubleClick={onReset}
        onKeyDown={(event) => {
          if (event.key !== 'Delete') return;
          event.preventDefault();
          onReset();
        }}
      />
      <output htmlFor={id} className="num">
        {shown}
      </output>
    </div>
  );
};
