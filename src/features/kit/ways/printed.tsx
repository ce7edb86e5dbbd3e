'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ANCHOR_NAMES } from '#core/profile/index.ts';
import { ScaleSelect } from '../ScaleSelect.tsx';
import {
  ANCHOR_IDS,
  MAX_EXTRA,
  printedFrom,
  rescaled,
  solvePrinted,
  typedOver,
  type PrintedFields,
} from './printedModel.ts';
import type { Way, WayProps } from './way.ts';

const Fields = ({ fields, onChange, coding, failure }: WayProps<PrintedFields>) => {
  const change = (part: Partial<PrintedFields>) => onChange({ ...fields, ...part });
  const setExtra = (at: number, part: Partial<PrintedFields['extra'][number]>) =>
    change({ extra: fields.extra.map((extra, i) => (i === at ? { ...extra, ...part } : extra)) });
  return (
    <>
      <ScaleSelect
        id="anchor-scale"
        value={fields.scale}
        onPick={(scale) => onChange(rescaled(fields, scale, coding))}
      />
      {ANCHOR_IDS.map((id) => (
        <div className="anchor" key={id}>
          <label htmlFor={`anchor-${id}`}>{ANCHOR_NAMES[id]}</label>
          <Form.Control
            id={`anchor-${id}`}
            isInvalid={failure?.where === ANCHOR_NAMES[id]}
            className="num"
            inputMode="decimal"
            autoComplete="off"
            value={fields[id]}
            placeholder="none"
            onChange={(event) => onChange(typedOver(fields, { [id]: event.target.value }))}
          />
        </div>
      ))}
      <div className="anchor">
        <label htmlFor="anchor-clip-stops">clip at stop</label>
        <Form.Control
          id="anchor-clip-stops"
          className="num"
          inputMode="decimal"
          autoComplete="off"
          placeholder="none"
          value={fields.clipStops}
          onChange={(event) => onChange(typedOver(fields, { clipStops: event.target.value }))}
        />
      </div>
      {fields.extra.map((extra, i) => (
        <div className="anchor-wide extra" key={i}>
          <label htmlFor={`extra-stop-${i}`}>Card at stop, or a chip’s %</label>
          <Form.Control
            id={`extra-stop-${i}`}
            className="num"
            placeholder="−3"
            value={extra.stops}
            onChange={(event) => setExtra(i, { stops: event.target.value })}
          />
          <label htmlFor={`extra-reading-${i}`}>reads</label>
          <Form.Control
            id={`extra-reading-${i}`}
            className="num"
            inputMode="decimal"
            value={extra.reading}
            onChange={(event) => setExtra(i, { reading: event.target.value })}
          />
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() => change({ extra: fields.extra.filter((_, n) => n !== i) })}
          >
            Take off
          </Button>
        </div>
      ))}
      {fields.extra.length < MAX_EXTRA && (
        <div className="anchor-wide">
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() => change({ extra: [...fields.extra, { stops: '', reading: '' }] })}
          >
            Add a reading of your own
          </Button>
        </div>
      )}
    </>
  );
};

export const printed: Way<PrintedFields> = {
  id: 'anchors',
  name: 'Numbers',
  says: 'Off the menu or the paper: readings at 0 %, 18 %, 90 % and clip.',
  start: (data, coding) => printedFrom(data, coding),
  solve: solvePrinted,
  Fields,
};
