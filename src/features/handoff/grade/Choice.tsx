'use client';

import Form from 'react-bootstrap/Form';

/** One of several, by name. */
export const Choice = ({
  label,
  says,
  value,
  options,
  onPick,
}: {
  label: string;
  says?: string;
  value: string;
  options: readonly { readonly id: string; readonly name: string }[];
  onPick: (id: string) => void;
}) => (
  <Form.Select
    size="sm"
    aria-label={label}
    title={says}
    value={value}
    onChange={({ target }) => onPick(target.value)}
  >
    {options.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </Form.Select>
);
