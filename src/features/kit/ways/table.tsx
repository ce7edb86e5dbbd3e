'use client';

import { useDropzone } from 'react-dropzone';
import Button from 'react-bootstrap/Button';
import { SelectField, TextField } from '#ui/forms/FormFields.tsx';
import { readTextFile } from '#ui/readTextFile.ts';
import {
  BLANK_TABLE,
  fieldsOfText,
  fieldsOfFile,
  solveTable,
  tableFrom,
  type CurveFile,
  type TableFields,
} from './tableModel.ts';
import { scaleOptions, UNIT_OPTIONS } from './scaleOptions.ts';
import type { Way, WayProps } from './way.ts';
import { words } from '#ui/wording/kitWays.ts';

const CurveFile = ({ curve, onBack }: { curve: CurveFile; onBack: () => void }) => (
  <>
    <p className="anchor-wide">
      <strong>{curve.file}</strong>{' '}
      <span className="quiet">
        {curve.curve.title && `“${curve.curve.title}”, `}
        {curve.curve.x.length} points
      </span>
    </p>
    <SelectField
      name="direction"
      label={words.itTurns}
      className="anchor-half"
      options={[
        ['codeToLight', 'codes into light'],
        ['lightToCode', 'light into codes'],
      ]}
    />
    <SelectField name="unit" label={words.code10Is} className="anchor-half" options={UNIT_OPTIONS} />
    <TextField name="grey" label={words.at18GreyInIts} className="anchor-half" isNumber />
    <TextField
      name="clip"
      label={words.clipAtStop}
      className="anchor-half"
      isNumber
      hint={words.whereItEnds}
    />
    <div className="anchor-wide">
      <Button variant="outline-secondary" size="sm" onClick={onBack}>
        {words.backToRows}
      </Button>
    </div>
  </>
);

const Fields = ({ fields, change, coding, example }: WayProps<TableFields>) => {
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (!file) return;
      void readTextFile(file).then(async (text) =>
        change(text.ok ? await fieldsOfFile(fields, file.name, text.value) : { refused: text }),
      );
    },
  });
  return (
    <>
      {fields.curve ? (
        <CurveFile curve={fields.curve} onBack={() => change({ curve: undefined, refused: undefined })} />
      ) : (
        <>
          <SelectField
            name="light"
            label={words.firstColumn}
            className="anchor-half"
            options={[
              ['stops', 'stops over grey'],
              ['reflectance', 'reflectance, 1 = white'],
            ]}
          />
          <SelectField
            name="reading"
            label={words.secondColumn}
            className="anchor-half"
            options={[...scaleOptions(coding), ['fraction', '0..1 of the top code']]}
          />
        </>
      )}
      <div className="anchor-wide" {...getRootProps()}>
        {!fields.curve && (
          <TextField
            name="text"
            label={words.rowsPasteOrDrop}
            isNumber
            lines={8}
            hint={example && tableFrom(example).text}
            onType={(text) => change(fieldsOfText(fields, 'What was pasted', text))}
          />
        )}
        <input
          {...getInputProps({ accept: '.csv,.txt,.tsv,.cube,.clf,.xml' })}
          aria-label={words.tableOrCurveFile}
        />
        <Button variant="outline-secondary" size="sm" className="mt-1" onClick={open}>
          {words.openACsvCube}
        </Button>
      </div>
    </>
  );
};

export const table: Way<TableFields> = {
  id: 'table',
  name: words.table,
  says: words.twoColumnsLightAgainst,
  start: () => BLANK_TABLE,
  solve: solveTable,
  papers: ['curve', 'refused'],
  fieldsAt: (where, { curve }) =>
    curve
      ? where === 'grey'
        ? ['grey']
        : []
      : where === 'table' || where.startsWith('line')
        ? ['text']
        : [],
  Fields,
};
