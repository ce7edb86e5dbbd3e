'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import type { PanelControl } from '#store/records/panel.ts';
import { words } from '#ui/wording/match.ts';

type NewControl = Omit<PanelControl, 'at'>;
const OWN = 'own';

/** Controls that panels mostly have, and one by any other name. */
export const AddControl = ({
  left,
  onAdd,
  ownAs,
}: {
  left: readonly NewControl[];
  onAdd: (control: NewControl) => void;
  /** One of the user's own, by its name. */
  ownAs: (name: string) => NewControl;
}) => {
  const [name, setName] = useState<string>();
  const add = () => {
    if (!name?.trim()) return;
    onAdd(ownAs(name.trim()));
    setName(undefined);
  };
  if (name !== undefined)
    return (
      <InputGroup size="sm" className="own-control">
        <Form.Control
          autoFocus
          aria-label={words.ownControlName}
          placeholder={words.ownControlName}
          value={name}
          maxLength={60}
          onChange={({ target }) => setName(target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') add();
            if (event.key === 'Escape') setName(undefined);
          }}
        />
        <Button variant="outline-secondary" disabled={name.trim() === ''} onClick={add}>
          {words.addOwnControl}
        </Button>
      </InputGroup>
    );
  return (
    <Form.Select
      size="sm"
      aria-label={words.addControl}
      value=""
      onChange={({ target }) => {
        const wanted = left.find(({ id }) => id === target.value);
        if (wanted) onAdd(wanted);
        else if (target.value === OWN) setName('');
      }}
    >
      <option value="">{words.addControl}</option>
      {left.map((control) => (
        <option key={control.id} value={control.id}>
          {control.name}
        </option>
      ))}
      <option value={OWN}>{words.ownControl}</option>
    </Form.Select>
  );
};
