'use client';

import { useState, type FormEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useStore } from 'zustand';
import type { CameraRecord } from '#store/records/camera.ts';
import { cameraClockId } from '#store/records/clip.ts';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/clips.ts';
import { parseOffset, printOffset } from './clipWords.ts';

/** How a camera's clock stands against ours: read from the log, or set by hand. */
export const CameraClock = ({ camera }: { camera: CameraRecord }) => {
  const { book } = useBench();
  const { shoot } = useSelection();
  const survey = useCardSurvey();
  const id = cameraClockId(shoot.id, camera.id);
  const byHand = useRecords(({ cameraClocks }) => cameraClocks.get(id));
  const readings = useStore(survey, ({ clocks }) => clocks[id]);
  const [typed, setTyped] = useState<string>();
  const offset = byHand?.offset ?? readings?.[0]?.offset;
  const isSure = byHand !== undefined || (readings?.[0]?.probability ?? 0) > 0.95;
  const parsed = typed === undefined ? undefined : parseOffset(typed);
  const of = { shootId: shoot.id, cameraId: camera.id };
  const change = async (after: number | undefined) => {
    const record = after === undefined ? undefined : { id, ...of, offset: after };
    await book.edit({
      label: words.clock(camera.name),
      changes: [{ table: 'cameraClocks', id, before: byHand, after: record }],
    });
    setTyped(undefined);
    await survey.pair(of);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (parsed !== undefined) void change(parsed);
  };
  const how = byHand ? 'by hand' : isSure ? 'from the log' : 'from the log, unsure';
  return (
    <Popup
      label={words.clock(camera.name)}
      name={
        <>
          {words.clock(camera.name)}{' '}
          <span className="num">{offset === undefined ? 'not read yet' : printOffset(offset)}</span>{' '}
          {offset !== undefined && <span className="quiet">{how}</span>}
        </>
      }
      variant="bare"
    >
      <Form onSubmit={submit} className="clip-clock">
        <Form.Group controlId={`clock-${camera.id}`}>
          <Form.Label className="quiet">{words.clockOffset}</Form.Label>
          <Form.Control
            size="sm"
            value={typed ?? (offset === undefined ? '' : printOffset(offset))}
            isInvalid={typed !== undefined && parsed === undefined}
            maxLength={20}
            onChange={({ target }) => setTyped(target.value)}
          />
          <Form.Control.Feedback type="invalid">
            Type hours, minutes and seconds, as +1:00:12 or −0:30.
          </Form.Control.Feedback>
        </Form.Group>
        <Button size="sm" type="submit" disabled={parsed === undefined}>
          {words.setClock}
        </Button>
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => void (byHand ? change(undefined) : survey.pair(of))}
        >
          {byHand ? words.readClock : words.pairAgain}
        </Button>
      </Form>
    </Popup>
  );
};
