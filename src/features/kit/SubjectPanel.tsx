'use client';

import { useState } from 'react';
import { parseStops, printStopsDecimal } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { addSubject } from './cameraModel.ts';

/** Who is in front of the camera, each with the offset of the key side from grey, measured beside the card. */
export const SubjectPanel = () => {
  const { selection, book } = useBench();
  const { subjects, setup } = selection;
  const [name, setName] = useState('');
  const [offset, setOffset] = useState('');
  const stops = parseStops(offset);
  const wrong = offset.trim() !== '' && (stops === undefined || Math.abs(stops) > 4);
  const ready = name.trim() !== '' && stops !== undefined && !wrong;
  const add = async () => {
    if (!ready) return;
    if (await book.edit(addSubject(setup, crypto.randomUUID(), name.trim(), stops))) {
      setName('');
      setOffset('');
    }
  };
  return (
    <Panel title="Subjects" note="key side from grey, beside the card">
      <dl className="facts">
        {subjects.map((subject) => (
          <div key={subject.id}>
            <dt>{subject.name}</dt>
            <dd>{printStopsDecimal(subject.skinOffset)}</dd>
          </div>
        ))}
      </dl>
      <form
        className="extra mt-2"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <label htmlFor="subject-name" className="visually-hidden">
          Subject’s name
        </label>
        <input
          id="subject-name"
          className="form-control subject-name"
          placeholder="Name"
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <label htmlFor="subject-offset" className="visually-hidden">
          Offset from grey in stops
        </label>
        <input
          id="subject-offset"
          className={`form-control num${wrong ? ' is-invalid' : ''}`}
          placeholder="+1"
          value={offset}
          onChange={(event) => setOffset(event.target.value)}
        />
        <button type="submit" className="btn btn-outline-secondary" disabled={!ready}>
          Add
        </button>
      </form>
      {wrong && <p className="field-error">Type stops from −4 to +4, such as +1.2 or 2/3.</p>}
    </Panel>
  );
};
