'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { listDevices, openDevice, takesDevices, type Device } from '#ui/bench/deviceFeed.ts';
import type { InputOnBench, InputSource } from '#ui/bench/room/roomState.ts';
import { FileButton } from '#ui/parts/FileButton.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/room.ts';
import type { RoomCamera } from './roomModel.ts';
import { settingOf, stageSource, type Room } from './useRoom.ts';

const RANGES = [
  { id: 'legal', name: words.legal },
  { id: 'full', name: words.full },
] as const;

/** A device as a source: had again by itself when it returns. */
const deviceSource = (id: string, name: string): InputSource => ({
  kind: 'feed',
  name,
  open: async () => {
    const opened = await openDevice(id);
    if (!opened.ok) return opened;
    const { frames, end, name: label } = opened.value;
    return { ok: true, value: { source: { kind: 'feed', frames, name: label }, transfer: [frames], end } };
  },
});

const clipSource = (file: File): InputSource => ({
  kind: 'clip',
  name: file.name,
  open: () => Promise.resolve({ ok: true, value: { source: { kind: 'clip', file }, transfer: [] } }),
});

const Sources = ({
  room: { bench, settings, setSettings },
  camera,
  n,
  input,
  close,
}: {
  room: Room;
  camera: RoomCamera;
  n: number;
  input?: InputOnBench;
  close: () => void;
}) => {
  const [devices, setDevices] = useState<readonly Device[]>();
  const [problem, setProblem] = useState<string>();
  const { id } = camera;
  const connect = (source: InputSource) => {
    close();
    bench.connect(id, source);
    // What is asked of its pictures follows what gives them.
    setSettings((now) => ({ ...now, off: now.off.filter((one) => one !== id) }));
  };
  const look = async () => {
    const found = await listDevices();
    setProblem(found.ok ? undefined : found.reason);
    setDevices(found.ok ? found.value : []);
  };
  const setting = settingOf(camera, settings, n);
  return (
    <>
      <div className="device-list">
        {camera.sceneId && setting && (
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => connect(stageSource(camera.sceneId!, setting, 100 * (n + 1)))}
          >
            {words.simulatedHall}
          </Button>
        )}
        {takesDevices() && (
          <>
            <Button
              size="sm"
              variant="outline-secondary"
              onClick={() => connect(deviceSource('', words.anyDevice))}
            >
              {words.anyDevice}
            </Button>
            <Button size="sm" variant="outline-secondary" onClick={() => void look()}>
              {words.lookForDevices}
            </Button>
            {devices?.map(({ id: device, name }) => (
              <Button
                key={device}
                size="sm"
                variant="outline-secondary"
                onClick={() => connect(deviceSource(device, name))}
              >
                {name}
              </Button>
            ))}
          </>
        )}
        <FileButton
          size="sm"
          label={words.clipFor(camera.camera.name)}
          accept="video/*,.y4m"
          onFile={(file) => connect(clipSource(file))}
        >
          {words.aClip}
        </FileButton>
        {input && (
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => {
              close();
              bench.disconnect(id);
              setSettings((now) => ({ ...now, off: [...now.off, id] }));
            }}
          >
            {words.letGo}
          </Button>
        )}
      </div>
      <Segmented
        label={words.rangeOf(camera.camera.name)}
        options={RANGES}
        value={settings.ranges[id] ?? camera.camera.coding.range}
        onPick={(range) => setSettings((now) => ({ ...now, ranges: { ...now.ranges, [id]: range } }))}
      />
      {problem && <p className="field-error mb-0 mt-2">{problem}</p>}
    </>
  );
};

/** Where an input's pictures come from, and the range they are read in. */
export const SourceMenu = (props: { room: Room; camera: RoomCamera; n: number; input?: InputOnBench }) => (
  <Popup name={words.source} label={words.sourceOf(props.camera.camera.name)} placement="bottom-end">
    {(close) => <Sources {...props} close={close} />}
  </Popup>
);
