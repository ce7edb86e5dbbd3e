'use client';

import dynamic from 'next/dynamic';
import { useSelection } from '../bench/hooks.ts';
import { printDepth } from '../format.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { Popup } from '../parts/Popup.tsx';

const loadChoices = () => import('./Choices.tsx').then((part) => part.Choices);
const Choices = dynamic(loadChoices);

/** Shoot, set-up and camera: what the card is for. */
export const Chooser = () => {
  const { shoot, setup, camera } = useSelection();
  useWhenIdle(loadChoices);
  return (
    <Popup
      name={
        <>
          <span className="quiet">{shoot.name}</span>
          <strong>{setup.name}</strong>
          <span className="quiet">
            {camera.name} · {printDepth(camera)} {camera.coding.range}
          </span>
        </>
      }
      label="Shoot, set-up and camera"
      variant="bare"
      className="chooser"
      panelClass="chooser-popover"
      placement="bottom-start"
    >
      <Choices />
    </Popup>
  );
};
