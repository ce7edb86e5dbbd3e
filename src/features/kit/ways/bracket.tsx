'use client';

import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import Button from 'react-bootstrap/Button';
import { BRACKET_STOPS_FILMED, BRACKET_TRUTH, bracketFile } from '#store/demo/bracket.ts';
import { SelectField, TextField } from '#ui/forms/FormFields.tsx';
import { parseStops } from '#core/units.ts';
import { BracketFrames } from './BracketFrames.tsx';
import {
  BLANK_BRACKET,
  bracketFrom,
  framesOf,
  MAX_FRAMES,
  solveBracket,
  type BracketFields,
  type FrameFile,
} from './bracketModel.ts';
import { scaleOptions } from './scaleOptions.ts';
import type { Way, WayProps } from './way.ts';
import { words } from '#ui/wording/kitWays.ts';

const demoFiles = () =>
  Promise.all(
    BRACKET_STOPS_FILMED.map(async (stops) => {
      const name = bracketFile(stops);
      const answer = await fetch(`/demo/bracket/${name}`);
      if (!answer.ok) throw new Error(`${name} answers ${answer.status}`);
      return { name, bytes: await answer.blob(), range: BRACKET_TRUTH.coding.range };
    }),
  );

const TypedReadings = ({
  fields: { rows, scale },
  coding,
  example,
}: Pick<WayProps<BracketFields>, 'fields' | 'coding' | 'example'>) => {
  const shown = example && bracketFrom(example, coding, scale);
  return (
    <>
      <p className="anchor-wide quiet">
        Film a grey card, lens and light locked; move only the shutter. Type what waveform or zebra reads at
        each offset; leave empty what you did not film.
      </p>
      <SelectField
        name="scale"
        label={words.readingsIn}
        className="anchor-wide"
        options={scaleOptions(coding)}
      />
      {rows.map(({ stops }, i) => (
        <div className="anchor-sixth bracket-pair" key={i}>
          <TextField isInline isNumber name={`rows.${i}.stops`} label={words.stopsOfReading(i + 1)} />
          <TextField
            isInline
            isNumber
            name={`rows.${i}.text`}
            label={words.readingAt(stops)}
            hint={shown?.rows[i].text}
          />
        </div>
      ))}
    </>
  );
};

const Fields = ({ fields, change, coding, example }: WayProps<BracketFields>) => {
  const [trouble, setTrouble] = useState('');
  const take = (files: readonly FrameFile[]) => {
    setTrouble(
      files.length > MAX_FRAMES ? `${files.length} frames; the first ${MAX_FRAMES} by name are taken.` : '',
    );
    if (files.length > 0) change({ frames: framesOf(files) });
  };
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    onDrop: (files) => take(files.map((file) => ({ name: file.name, bytes: file }))),
  });
  return (
    <>
      {fields.frames ? (
        <BracketFrames fields={fields} frames={fields.frames} coding={coding} change={change} />
      ) : (
        <TypedReadings fields={fields} coding={coding} example={example} />
      )}
      <div className="anchor-wide d-flex gap-2 align-items-center" {...getRootProps()}>
        <input {...getInputProps({ accept: '.png' })} aria-label={words.framesOfABracket} />
        <Button variant="outline-secondary" size="sm" onClick={open}>
          {words.openOrDropFrames}
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
          {words.nineDemoFrames}
        </Button>
      </div>
      {trouble && <p className="anchor-wide field-error">{trouble}</p>}
    </>
  );
};

export const bracket: Way<BracketFields> = {
  id: 'bracket',
  name: words.bracket,
  says: words.aGreyCardFilmed,
  start: () => BLANK_BRACKET,
  solve: solveBracket,
  papers: ['frames', 'mark'],
  fieldsAt: (where, { rows, frames }) =>
    frames
      ? []
      : rows.flatMap(({ stops }, i) => {
          if (where === `at ${stops}`) return [`rows.${i}.text`];
          return where === 'stops' && parseStops(stops) === undefined ? [`rows.${i}.stops`] : [];
        }),
  Fields,
};
