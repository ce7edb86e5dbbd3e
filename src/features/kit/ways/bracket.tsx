'use client';

import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { BRACKET_STOPS_FILMED, BRACKET_TRUTH, bracketFile } from '#store/demo/bracket.ts';
import { ScaleSelect } from '../ScaleSelect.tsx';
import { BracketFrames } from './BracketFrames.tsx';
import {
  bracketFrom,
  framesOf,
  MAX_FRAMES,
  solveBracket,
  type BracketFields,
  type FrameFile,
} from './bracketModel.ts';
import type { Way, WayProps } from './way.ts';

const demoFiles = () =>
  Promise.all(
    BRACKET_STOPS_FILMED.map(async (stops) => {
      const name = bracketFile(stops);
      const answer = await fetch(`/demo/bracket/${name}`);
      if (!answer.ok) throw new Error(`${name} answers ${answer.status}`);
      return { name, bytes: await answer.blob(), range: BRACKET_TRUTH.coding.range };
    }),
  );

const Typed = ({ fields, onChange, failure }: WayProps<BracketFields>) => {
  const setRow = (at: number, part: Partial<BracketFields['rows'][number]>) =>
    onChange({ ...fields, rows: fields.rows.map((row, i) => (i === at ? { ...row, ...part } : row)) });
  return (
    <>
      <p className="anchor-wide quiet">
        Film a grey card, lens and light locked; move only the shutter. Type what waveform or zebra reads at
        each offset; leave empty what you did not film.
      </p>
      <ScaleSelect
        id="bracket-scale"
        value={fields.scale}
        onPick={(scale) => onChange({ ...fields, scale })}
      />
      {fields.rows.map(({ stops, text }, i) => (
        <div className="anchor-sixth bracket-pair" key={i}>
          <Form.Control
            className="num"
            aria-label={`Stops of reading ${i + 1}`}
            value={stops}
            onChange={(event) => setRow(i, { stops: event.target.value })}
          />
          <Form.Control
            isInvalid={failure?.where === `at ${stops}`}
            className="num"
            aria-label={`Reading at ${stops}`}
            inputMode="decimal"
            autoComplete="off"
            value={text}
            onChange={(event) => setRow(i, { text: event.target.value })}
          />
        </div>
      ))}
    </>
  );
};

const Fields = (props: WayProps<BracketFields>) => {
  const { fields, onChange, coding } = props;
  const [trouble, setTrouble] = useState('');
  const take = (files: readonly FrameFile[]) => {
    setTrouble(
      files.length > MAX_FRAMES ? `${files.length} frames; the first ${MAX_FRAMES} by name are taken.` : '',
    );
    if (files.length > 0) onChange({ ...fields, frames: framesOf(files) });
  };
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    onDrop: (files) => take(files.map((file) => ({ name: file.name, bytes: file }))),
  });
  return (
    <>
      {fields.frames ? (
        <BracketFrames fields={fields} frames={fields.frames} coding={coding} onChange={onChange} />
      ) : (
        <Typed {...props} />
      )}
      <div className="anchor-wide d-flex gap-2 align-items-center" {...getRootProps()}>
        <input {...getInputProps({ accept: '.png' })} aria-label="Frames of a bracket" />
        <Button variant="outline-secondary" size="sm" onClick={open}>
          Open or drop frames
        </Button>
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() =>
            void demoFiles().then(take, (error: Error) =>
              setTrouble(`The demo frames did not come (${error.message}): reload the page.`),
            )
          }
        >
          Nine demo frames
        </Button>
      </div>
      {trouble && <p className="anchor-wide field-error">{trouble}</p>}
    </>
  );
};

export const bracket: Way<BracketFields> = {
  id: 'bracket',
  name: 'Bracket',
  says: 'A grey card filmed from under to over by shutter: the curve, its clip and what lies off.',
  start: bracketFrom,
  solve: solveBracket,
  Fields,
};
