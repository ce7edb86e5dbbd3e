'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SLIP_IDS, SLIPS, type SlipId } from '#core/cameraTest/film/slips.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { filmingOf, stageCamera } from './testModel.ts';
import type { CameraTest } from './useTest.ts';

/** Bodies that the stage has of each camera. */
const BODIES = [1, 2, 3, 4, 5];

/** The stage films the list with this camera, with slips as people make them. */
export const StageFilms = ({ test }: { test: CameraTest }) => {
  const { bench, state, asked, list, camera, profile, setup, range } = test;
  const [slips, setSlips] = useState<readonly SlipId[]>(['twice', 'hand']);
  const [inOne, setInOne] = useState(false);
  const [body, setBody] = useState(BODIES[0]);
  const film = () => {
    const filmed = stageCamera(camera, profile, setup.fps, body);
    void bench.film({ list, filming: filmingOf(filmed, state.have, slips, body), inOne }, asked, range);
  };
  const { lean, meterBias, isTintTurned } = {
    ...stageCamera(camera, profile, setup.fps, body),
    ...stageCamera(camera, profile, setup.fps, body).body,
  };
  return (
    <Folded title={words.stage} isOpen={state.clips.length === 0}>
      <p className="quiet">{words.stageSays(camera.name, profile.name)}</p>
      <div className="test-stage">
        <Form.Group controlId="test-body" className="test-field">
          <Form.Label>{words.body}</Form.Label>
          <Form.Select size="sm" value={body} onChange={(event) => setBody(Number(event.target.value))}>
            {BODIES.map((n) => (
              <option key={n} value={n}>
                {words.bodyNo(n)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {SLIP_IDS.map((id) => (
          <Form.Check
            key={id}
            type="checkbox"
            id={`slip-${id}`}
            label={SLIPS[id].name}
            checked={slips.includes(id)}
            onChange={(event) =>
              setSlips(event.target.checked ? [...slips, id] : slips.filter((slip) => slip !== id))
            }
          />
        ))}
        <Form.Check
          type="checkbox"
          id="slip-in-one"
          label={words.inOne}
          checked={inOne}
          onChange={(event) => setInOne(event.target.checked)}
        />
      </div>
      <Button variant="outline-secondary" size="sm" disabled={state.busy !== undefined} onClick={film}>
        {words.filmIt}
      </Button>
      {state.told && (
        <Folded title={words.truth}>
          <p className="num">
            {words.truthSays(
              lean?.mired ?? 0,
              lean?.tint ?? 0,
              meterBias.toFixed(2),
              profile.data.clipStops.toFixed(2),
            )}{' '}
            {isTintTurned && words.truthTint}
          </p>
        </Folded>
      )}
    </Folded>
  );
};
