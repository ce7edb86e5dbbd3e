'use client';

import { useId } from 'react';
import ToggleButton from 'react-bootstrap/ToggleButton';
import ToggleButtonGroup from 'react-bootstrap/ToggleButtonGroup';

type Option<T extends string> = { readonly id: T; readonly name: string; readonly says?: string };

/** One of a few, all in sight: radio buttons as a bar. */
export const Segmented = <T extends string>({
  label,
  options,
  value,
  onPick,
}: {
  label: string;
  options: readonly Option<T>[];
  value: T;
  onPick: (id: T) => void;
}) => {
  const name = useId();
  return (
    <ToggleButtonGroup
      type="radio"
      size="sm"
      className="segmented"
      role="radiogroup"
      aria-label={label}
      name={name}
      value={value}
      onChange={onPick}
    >
      {options.map(({ id, name: word, says }) => (
        <ToggleButton key={id} id={`${name}-${id}`} value={id} variant="choice" title={says}>
          {word}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
};
