'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Form from 'react-bootstrap/Form';
import type { Mixer } from '#core/match/mixer.ts';
import { planChange } from '#store/records/plan.ts';
import { useBench } from '#ui/bench/hooks.ts';
import type { RoomBench } from '#ui/bench/room/roomBench.ts';
import { words } from '#ui/wording/room.ts';
import { withPosition, type RoomCamera } from './roomModel.ts';

/** `lift 0.00 / 0.01 / 0.00, gamma …`: a desk's numbers in a line. */
const mixerWords = ({ lift, gamma, gain, saturation }: Mixer): string => {
  const three = (values: readonly number[]) => values.map((v) => v.toFixed(2)).join(' / ');
  return words.mixerSays(three(lift), three(gamma), three(gain), saturation.toFixed(2));
};

/** The desk's numbers kept for a camera's position, with a reason, and copied to another camera. */
export const KeptMixer = ({
  bench,
  camera,
  cameras,
  mixer,
}: {
  bench: RoomBench;
  camera: RoomCamera;
  cameras: readonly RoomCamera[];
  mixer: Mixer;
}) => {
  const { book } = useBench();
  const [reason, setReason] = useState('');
  const { position } = camera;
  const keep = (to: RoomCamera, kept: NonNullable<RoomCamera['position']['mixer']>) => {
    const room = withPosition(to.room, to.position.id, { mixer: kept });
    const label = words.mixerEdit(to.camera.name);
    void book.edit({ label, changes: [planChange(to.selection.plan, { room })] });
    bench.note({ at: Date.now(), inputId: to.id, what: 'mixer', says: mixerWords(kept) });
  };
  const others = cameras.filter(({ id }) => id !== camera.id);
  const { mixer: kept } = position;
  return (
    <div className="room-mixer">
      <div className="exports">
        <Form.Control
          size="sm"
          aria-label={words.mixerReason}
          placeholder={words.mixerReason}
          value={reason}
          maxLength={80}
          onChange={({ target }) => setReason(target.value)}
        />
        <Button
          size="sm"
          onClick={() => keep(camera, { ...mixer, ...(reason.trim() ? { reason: reason.trim() } : {}) })}
        >
          {words.keepMixer}
        </Button>
        {kept && others.length > 0 && (
          <Dropdown>
            <Dropdown.Toggle size="sm" variant="outline-secondary">
              {words.copyMixer}
            </Dropdown.Toggle>
            <Dropdown.Menu renderOnMount={false}>
              {others.map((to) => (
                <Dropdown.Item key={to.id} as="button" type="button" onClick={() => keep(to, kept)}>
                  {to.camera.name}, {to.position.name}
                </Dropdown.Item>
              ))}
            </Dropdown.Menu>
          </Dropdown>
        )}
      </div>
      {kept && (
        <p className="mb-0">
          {words.keptMixer(position.name)}: <span className="num">{mixerWords(kept)}</span>
          {kept.reason && `. ${kept.reason}`}
        </p>
      )}
    </div>
  );
};
