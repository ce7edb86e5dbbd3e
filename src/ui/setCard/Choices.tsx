'use client';

import Form from 'react-bootstrap/Form';
import { camerasOf, setupsOf, shootsOf } from '#store/selection.ts';
import { useRecords, useSelect, useSelection } from '../bench/hooks.ts';
import { printDepth } from '../format.ts';
import { AddShoot } from './AddShoot.tsx';
import { words } from '#ui/wording/setCardOpened.ts';

/** What can be chosen of shoots, set-ups and cameras, and a shoot of one's own. */
export const Choices = ({ onLeave }: { onLeave: () => void }) => {
  const { shoot, setup, camera } = useSelection();
  const records = useRecords();
  const select = useSelect();
  const shoots = shootsOf(records);
  return (
    <>
      <Form.Label htmlFor="choose-shoot">{words.shoot}</Form.Label>
      <Form.Select
        id="choose-shoot"
        value={shoot.id}
        onChange={(event) => select({ shoot: event.target.value })}
      >
        {shoots.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Form.Select>
      <Form.Label className="mt-2" htmlFor="choose-setup">
        {words.setUp}
      </Form.Label>
      <Form.Select
        id="choose-setup"
        className="cell-choices"
        htmlSize={Math.min(8, Math.max(2, setupsOf(records, shoot.id).length))}
        value={setup.id}
        autoFocus
        onChange={(event) => select({ setup: event.target.value })}
      >
        {setupsOf(records, shoot.id).map(({ id, name }, i) => (
          <option key={id} value={id}>
            {i + 1} {name}
          </option>
        ))}
      </Form.Select>
      <Form.Label className="mt-2" htmlFor="choose-camera">
        {words.camera}
      </Form.Label>
      <Form.Select
        id="choose-camera"
        value={camera.id}
        onChange={(event) => select({ camera: event.target.value })}
      >
        {camerasOf(records, setup).map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}, {printDepth(c)}, {c.job}
          </option>
        ))}
      </Form.Select>
      <AddShoot onLeave={onLeave} />
    </>
  );
};
