'use client';

import { useDropzone } from 'react-dropzone';
import {
  compileProfile,
  profileFromTable,
  type ProfileData,
  type TableColumns,
} from '#core/profile/index.ts';
import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';
import type { Way, WayProps } from './way.ts';

type TableFields = TableColumns & { readonly text: string };

const start = (data: ProfileData): TableFields => {
  const profile = compileProfile(data);
  const top = Math.floor(profile.clipStops + 1e-9);
  const rows = Array.from({ length: top + 8 }, (_, i) => i - 7).map(
    (stops) => `${stops}, ${(100 * profile.signalAt(stops)).toFixed(1)}`,
  );
  return { light: 'stops', reading: 'signalPercent', text: rows.join('\n') };
};

const Fields = ({ fields, onChange }: WayProps<TableFields>) => {
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (file) void file.text().then((text) => onChange({ ...fields, text }));
    },
  });
  return (
    <>
      <div className="anchor-half">
        <label htmlFor="table-light">First column</label>
        <select
          id="table-light"
          className="form-select"
          value={fields.light}
          onChange={(event) => onChange({ ...fields, light: event.target.value as TableFields['light'] })}
        >
          <option value="stops">stops over grey</option>
          <option value="reflectance">reflectance, 1 = white</option>
        </select>
      </div>
      <div className="anchor-half">
        <label htmlFor="table-reading">Second column</label>
        <select
          id="table-reading"
          className="form-select"
          value={fields.reading}
          onChange={(event) => onChange({ ...fields, reading: event.target.value as TableFields['reading'] })}
        >
          {SCALE_IDS.map((id) => (
            <option key={id} value={id}>
              {SCALES[id].name}
            </option>
          ))}
          <option value="fraction">0..1 of the top code</option>
        </select>
      </div>
      <div className="anchor-wide" {...getRootProps()}>
        <label htmlFor="table-text">Rows: paste, or drop a CSV here</label>
        <textarea
          id="table-text"
          className="form-control num table-text"
          rows={8}
          spellCheck={false}
          value={fields.text}
          onChange={(event) => onChange({ ...fields, text: event.target.value })}
        />
        <input {...getInputProps({ accept: '.csv,.txt,.tsv,text/csv,text/plain' })} aria-label="Table file" />
        <button type="button" className="btn btn-sm btn-outline-secondary mt-1" onClick={open}>
          Open a CSV
        </button>
      </div>
    </>
  );
};

export const table: Way<TableFields> = {
  id: 'table',
  name: 'Table',
  says: 'Two columns, light against reading; monotone interpolation, no guesswork between known rows.',
  start,
  solve: ({ text, light, reading }, coding, gamut) =>
    profileFromTable(text, { light, reading }, coding, gamut),
  Fields,
};
