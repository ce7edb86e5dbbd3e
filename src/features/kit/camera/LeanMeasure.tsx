'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { dateIn, zoneOf } from '#core/day/clock.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { leanFrom } from './measured.ts';
import { leanWords } from './words.ts';

/** The lean of a body from a filmed card: channels read off the parade, or off the card marked in Judge. */
export const LeanMeasure = ({
  lean,
  onLean,
}: {
  lean: CameraRecord['lean'];
  onLean: (lean: CameraRecord['lean']) => void;
}) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const measurement = useSession(({ measured }) => measured?.measurement);
  const [card, setCard] = useState('');
  const [kelvin, setKelvin] = useState(String(selection.plan.kelvin));
  const [said, setSaid] = useState('');
  const marked = measurement?.patches.find(({ patch }) => patch.kind === 'card');
  const coding = measurement?.coding;
  const measure = () => {
    const { sun } = selection.shoot;
    const today = dateIn(new Date(), sun && zoneOf(sun.clock));
    const found = leanFrom({ card, kelvin }, numbers.profile, numbers.profile.gamut, today);
    setSaid(found.ok ? '' : found.reason);
    if (found.ok) onLean(found.value);
  };
  return (
    <>
      <p className="anchor-wide quiet mb-0">
        {lean ? leanWords(lean) : 'Lean not measured yet.'} Film a grey card in a light whose Kelvin you know,
        dial that Kelvin, and read the three channels.
      </p>
      <div className="anchor-half lean-card">
        <label htmlFor="lean-card">Card R G B, % of signal</label>
        <Form.Control
          id="lean-card"
          className="num"
          placeholder="41.2 40.6 39.8"
          value={card}
          onChange={(event) => setCard(event.target.value)}
        />
      </div>
      <div className="anchor-half">
        <label htmlFor="lean-kelvin">Light, K</label>
        <Form.Control
          id="lean-kelvin"
          className="num"
          value={kelvin}
          onChange={(event) => setKelvin(event.target.value)}
        />
      </div>
      <div className="anchor-wide lean-buttons">
        <Button variant="outline-secondary" size="sm" onClick={measure}>
          Measure lean
        </Button>
        {lean && (
          <Button variant="outline-secondary" size="sm" onClick={() => onLean(undefined)}>
            Forget it
          </Button>
        )}
      </div>
      {marked && coding && (
        <div className="anchor-wide">
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() =>
              setCard(
                [marked.r, marked.g, marked.b]
                  .map((code) => (100 * codeToSignal(code, coding)).toFixed(2))
                  .join(' '),
              )
            }
          >
            Take the card marked in Judge
          </Button>
        </div>
      )}
      {said && (
        <p className="anchor-wide field-error" role="alert">
          {said}
        </p>
      )}
    </>
  );
};
