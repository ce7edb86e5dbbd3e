'use client';

import { useId } from 'react';
import Form from 'react-bootstrap/Form';
import { useChoices } from '../useSources.ts';

/** A LUT to look at: being built, computed, of the kit, or the file that was opened. */
export const SourceSelect = ({
  label,
  value,
  none,
  onPick,
}: {
  label: string;
  value: string;
  /** Name of having none, where that is possible. */
  none?: string;
  onPick: (id: string) => void;
}) => {
  const id = useId();
  const choices = useChoices();
  return (
    <span className="lut-source">
      <label htmlFor={id}>{label}</label>
      <Form.Select id={id} size="sm" value={value} onChange={(event) => onPick(event.target.value)}>
        {none !== undefined && <option value="none">{none}</option>}
        {choices.map((choice) => (
          <option key={choice.id} value={choice.id}>
            {choice.name}
          </option>
        ))}
      </Form.Select>
    </span>
  );
};
