'use client';

import { useDropzone } from 'react-dropzone';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';
import { fieldsOfFile, solveTable, tableFrom, type CurveFields, type TableFields } from './tableModel.ts';
import { Choice } from './Choice.tsx';
import type { Way, WayProps } from './way.ts';

const CurveFile = ({ curve, onChange }: { curve: CurveFields; onChange: (curve?: CurveFields) => void }) => (
  <>
    <p className="anchor-wide">
      <strong>{curve.file}</strong>{' '}
      <span className="quiet">
        {curve.curve.title && `“${curve.curve.title}”, `}
        {curve.curve.x.length} points
      </span>
    </p>
    <Choice
      id="curve-direction"
      label="It turns"
      value={curve.direction}
      options={[
        ['codeToLight', 'codes into light'],
        ['lightToCode', 'light into codes'],
      ]}
      onPick={(direction) => onChange({ ...curve, direction: direction })}
    />
    <Choice
      id="curve-unit"
      label="Code 1.0 is"
      value={curve.unit}
      options={[
        ['topCode', 'the top code'],
        ['signal', '100 % of signal'],
      ]}
      onPick={(unit) => onChange({ ...curve, unit: unit })}
    />
    <div className="anchor-half">
      <label htmlFor="curve-grey">18 % grey in its light</label>
      <Form.Control
        id="curve-grey"
        className="num"
        inputMode="decimal"
        value={curve.grey}
        onChange={(event) => onChange({ ...curve, grey: event.target.value })}
      />
    </div>
    <div className="anchor-half">
      <label htmlFor="curve-clip">clip at stop</label>
      <Form.Control
        id="curve-clip"
        className="num"
        placeholder="where it ends"
        value={curve.clip}
        onChange={(event) => onChange({ ...curve, clip: event.target.value })}
      />
    </div>
    <div className="anchor-wide">
      <Button variant="outline-secondary" size="sm" onClick={() => onChange(undefined)}>
        Back to rows
      </Button>
    </div>
  </>
);

const Fields = ({ fields, onChange }: WayProps<TableFields>) => {
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (file) void file.text().then((text) => onChange(fieldsOfFile(fields, file.name, text)));
    },
  });
  return (
    <>
      {fields.curve ? (
        <CurveFile
          curve={fields.curve}
          onChange={(curve) => onChange({ ...fields, curve, refused: undefined })}
        />
      ) : (
        <>
          <Choice
            id="table-light"
            label="First column"
            value={fields.light}
            options={[
              ['stops', 'stops over grey'],
              ['reflectance', 'reflectance, 1 = white'],
            ]}
            onPick={(light) => onChange({ ...fields, light: light })}
          />
          <Choice
            id="table-reading"
            label="Second column"
            value={fields.reading}
            options={[
              ...SCALE_IDS.map((id) => [id, SCALES[id].name] as const),
              ['fraction', '0..1 of the top code'],
            ]}
            onPick={(reading) => onChange({ ...fields, reading: reading })}
          />
        </>
      )}
      <div className="anchor-wide" {...getRootProps()}>
        {!fields.curve && (
          <>
            <label htmlFor="table-text">Rows: paste, or drop a CSV, a 1D .cube or a CLF here</label>
            <Form.Control
              id="table-text"
              as="textarea"
              className="num table-text"
              rows={8}
              spellCheck={false}
              value={fields.text}
              onChange={(event) => onChange(fieldsOfFile(fields, 'What was pasted', event.target.value))}
            />
          </>
        )}
        <input
          {...getInputProps({ accept: '.csv,.txt,.tsv,.cube,.clf,.xml' })}
          aria-label="Table or curve file"
        />
        <Button variant="outline-secondary" size="sm" className="mt-1" onClick={open}>
          Open a CSV, .cube or CLF
        </Button>
      </div>
    </>
  );
};

export const table: Way<TableFields> = {
  id: 'table',
  name: 'Table',
  says: 'Two columns, light against reading, or the curve of a LUT file; monotone interpolation.',
  start: tableFrom,
  solve: solveTable,
  Fields,
};
