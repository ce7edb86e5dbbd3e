'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { newSetup, newShoot } from '#store/newShoot.ts';
import { useBench, useSelect, useSelection } from '../bench/hooks.ts';

const id = () => crypto.randomUUID();

/** A name, and it becomes a set-up of this shoot or a shoot of its own. */
export const AddShoot = () => {
  const { book } = useBench();
  const selection = useSelection();
  const select = useSelect();
  const [name, setName] = useState('');
  const ready = name.trim().length > 0;
  const addSetup = async () => {
    const setup = id();
    if (await book.edit(newSetup(book.getState(), selection.setup, name.trim(), setup))) select({ setup });
    setName('');
  };
  const addShoot = async () => {
    const shoot = id();
    if (await book.edit(newShoot(book.getState(), name.trim(), { shoot, setup: id() }))) select({ shoot });
    setName('');
  };
  return (
    <div className="add-shoot">
      <Form.Label htmlFor="new-name">New</Form.Label>
      <Form.Control
        id="new-name"
        placeholder="Name of a set-up or shoot"
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="d-flex gap-2 mt-2">
        <Button variant="outline-secondary" size="sm" disabled={!ready} onClick={() => void addSetup()}>
          Add set-up
        </Button>
        <Button variant="outline-secondary" size="sm" disabled={!ready} onClick={() => void addShoot()}>
          Add shoot
        </Button>
      </div>
    </div>
  );
};
