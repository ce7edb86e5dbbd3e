'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { listDevices, openDevice, takesDevices, type Device } from '#ui/bench/deviceFeed.ts';
import { words } from '#ui/wording/judgeMoving.ts';

const Devices = ({ close }: { close: () => void }) => {
  const { session } = useBench();
  const selection = useSelection();
  const [devices, setDevices] = useState<readonly Device[]>();
  const [problem, setProblem] = useState<string>();
  const look = async () => {
    const found = await listDevices();
    setProblem(found.ok ? undefined : found.reason);
    setDevices(found.ok ? found.value : []);
  };
  const take = async (id: string) => {
    const opened = await openDevice(id);
    if (!opened.ok) {
      setProblem(opened.reason);
      session.notice.say('Device', opened);
      return;
    }
    close();
    await session.moving.startFeed(opened.value, selection.camera.coding.range);
  };
  if (!takesDevices())
    return (
      <p className="mb-0">
        This browser cannot show a capture device here. Open a recorded clip, or use a browser that has
        WebCodecs.
      </p>
    );
  return (
    <>
      <p className="quiet small">
        A capture dongle or a webcam, read as its codes come. What it does to black and white, the feed check
        finds.
      </p>
      <div className="device-list">
        <Button variant="primary" size="sm" onClick={() => void take('')}>
          {words.anyVideoInput}
        </Button>
        <Button variant="outline-secondary" size="sm" onClick={() => void look()}>
          {words.choose}
        </Button>
        {devices?.map(({ id, name }) => (
          <Button key={id} variant="outline-secondary" size="sm" onClick={() => void take(id)}>
            {name}
          </Button>
        ))}
      </div>
      {problem && <p className="field-error mb-0 mt-2">{problem}</p>}
    </>
  );
};

/** The way to a live picture. */
export const DevicePicker = () => (
  <Popup name={words.device} label={words.videoInput} says={words.aLivePictureFrom} placement="top-start">
    {(close) => <Devices close={close} />}
  </Popup>
);
