'use client';

import dynamic from 'next/dynamic';
import Form from 'react-bootstrap/Form';
import { camerasOf, setupsOf, shootsOf } from '#store/selection.ts';
import { useRecords, useSelect, useSelection } from '../bench/hooks.ts';
import { Popup } from '../parts/Popup.tsx';

const AddShoot = dynamic(() => import('./AddShoot.tsx').then((part) => part.AddShoot));

const depth = ({ coding, chroma }: { coding: { bitDepth: number; range: string }; chroma: string }) =>
  `${coding.bitDepth}-bit ${chroma}`;

/** Shoot, set-up and camera: what the card is for. */
export const Chooser = () => {
  const selection = useSelection();
  const records = useRecords();
  const select = useSelect();
  const { shoot, setup, camera } = selection;
  const shoots = shootsOf(records);
  return (
    <Popup
      name={
        <>
          <span className="quiet">{shoot.name}</span>
          <strong>{setup.name}</strong>
          <span className="quiet">
            {camera.name} · {depth(camera)} {camera.coding.range}
          </span>
        </>
      }
      label="Shoot, set-up and camera"
      variant="bare"
      className="chooser"
      panelClass="chooser-popover"
      placement="bottom-start"
    >
      <Form.Label htmlFor="choose-shoot">Shoot</Form.Label>
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
        Set-up
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
        Camera
      </Form.Label>
      <Form.Select
        id="choose-camera"
        value={camera.id}
        onChange={(event) => select({ camera: event.target.value })}
      >
        {camerasOf(records, setup).map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}, {depth(c)}, {c.job}
          </option>
        ))}
      </Form.Select>
      <AddShoot />
    </Popup>
  );
};
