'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import { useBench } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/room.ts';
import { freeId, roomEdit, type RoomCamera } from './roomModel.ts';

const MOST_POSITIONS = 12;

/** Where a remote camera looks from now: its positions by name, each with marks of its own. */
export const PositionBar = ({ camera }: { camera: RoomCamera }) => {
  const { book } = useBench();
  const [name, setName] = useState('');
  const { room, position } = camera;
  const own = camera.camera.name;
  const keep = (next: typeof room, label: string) => void book.edit(roomEdit(camera, next, label));
  const add = () => {
    const wanted = name.trim();
    if (wanted === '' || room.positions.length >= MOST_POSITIONS) return;
    const id = freeId(room.positions, wanted);
    keep(
      { ...room, positions: [...room.positions, { id, name: wanted, marks: [] }], at: id },
      words.positionEdit(wanted, own),
    );
    setName('');
  };
  return (
    <div className="room-position">
      <Form.Select
        size="sm"
        aria-label={words.position(own)}
        value={position.id}
        onChange={({ target }) => {
          const next = room.positions.find(({ id }) => id === target.value);
          if (next) keep({ ...room, at: next.id }, words.positionEdit(next.name, own));
        }}
      >
        {room.positions.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </Form.Select>
      <InputGroup size="sm">
        <Form.Control
          aria-label={words.newPositionOf(own)}
          placeholder={words.newPosition}
          value={name}
          maxLength={60}
          onChange={({ target }) => setName(target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') add();
          }}
        />
        <Button variant="outline-secondary" disabled={name.trim() === ''} onClick={add}>
          {words.addPosition}
        </Button>
      </InputGroup>
      {room.positions.length > 1 && (
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => {
            const positions = room.positions.filter(({ id }) => id !== position.id);
            keep({ ...room, positions, at: positions[0].id }, words.removePositionEdit(position.name, own));
          }}
        >
          {words.removePosition}
        </Button>
      )}
    </div>
  );
};
