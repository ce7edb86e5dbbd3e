'use client';

import { useSelection } from '../bench/hooks.ts';
import { printDepth } from '../format.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { Popup } from '../parts/Popup.tsx';
import { later } from '../later.tsx';
import { words } from '#ui/wording/setCard.ts';

const Choices = later(() => import('./Choices.tsx').then((part) => part.Choices));

/** Shoot, set-up and camera: what the card is for. */
export const Chooser = () => {
  const { shoot, setup, camera } = useSelection();
  useWhenIdle(Choices.fetch);
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
      label={words.shootSetUpAnd}
      says={`${shoot.name}: ${setup.name}, ${camera.name}`}
      variant="bare"
      className="chooser"
      panelClass="chooser-popover"
      placement="bottom-start"
    >
      {(close) => <Choices onLeave={close} />}
    </Popup>
  );
};
