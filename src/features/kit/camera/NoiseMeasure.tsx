'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { CameraRecord } from '#store/records/camera.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { noiseFrom } from './measured.ts';
import { noiseWords } from './words.ts';

const TEXTS = [
  ['dark', 'Lens cap on: ± codes'],
  ['code', 'Grey patch: code'],
  ['grey', 'and its ± codes'],
] as const;

/** The sensor from two readings a user can get: a dark frame and a grey patch. */
export const NoiseMeasure = ({
  noise,
  onNoise,
}: {
  noise: CameraRecord['noise'];
  onNoise: (noise: NonNullable<CameraRecord['noise']>, floorStops: number) => void;
}) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const [texts, setTexts] = useState({ dark: '', code: '', grey: '' });
  const [said, setSaid] = useState('');
  const compute = () => {
    const found = noiseFrom(texts, numbers.profile, selection.camera.coding);
    setSaid(found.ok ? '' : found.reason);
    if (found.ok) onNoise(found.value.noise, found.value.floorStops);
  };
  return (
    <>
      <p className="anchor-wide quiet mb-0">
        {noise ? noiseWords(noise) : 'Sensor taken from the floor alone.'} Or from two readings at base ISO,
        noise reduction off: standard deviations in codes.
      </p>
      {TEXTS.map(([id, label]) => (
        <div className="anchor-third" key={id}>
          <label htmlFor={`noise-${id}`}>{label}</label>
          <Form.Control
            id={`noise-${id}`}
            className="num"
            inputMode="decimal"
            value={texts[id]}
            onChange={(event) => setTexts({ ...texts, [id]: event.target.value })}
          />
        </div>
      ))}
      <div className="anchor-wide">
        <Button variant="outline-secondary" size="sm" onClick={compute}>
          Work out the floor
        </Button>
      </div>
      {said && (
        <p className="anchor-wide field-error" role="alert">
          {said}
        </p>
      )}
    </>
  );
};
