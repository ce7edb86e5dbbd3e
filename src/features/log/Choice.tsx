'use client';

import type { ReactNode } from 'react';
import Form from 'react-bootstrap/Form';

/** A filter by one of several, or by any. */
export const Choice = ({
  label,
  any,
  value,
  onPick,
  children,
}: {
  label: string;
  any: string;
  value: string | number | null;
  onPick: (value: string | null) => void;
  children: ReactNode;
}) => (
  <Form.Select
    size="sm"
    aria-label={label}
    value={value ?? ''}
    onChange={({ target }) => onPick(target.value === '' ? null : target.value)}
  >
    <option value="">{any}</option>
    {children}
  </Form.Select>
);
