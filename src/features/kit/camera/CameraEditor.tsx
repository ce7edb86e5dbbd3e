'use client';

import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { fieldIdsOf, fieldOf, GROUP_IDS, GROUPS, type CameraFieldId, type GroupId } from './fields.ts';
import { cameraOf, fieldsOfCamera, type CameraFields } from './cameraModel.ts';
import { LeanMeasure } from './LeanMeasure.tsx';
import { NoiseMeasure } from './NoiseMeasure.tsx';

const FieldInput = ({
  id,
  value,
  onChange,
}: {
  id: CameraFieldId;
  value: string;
  onChange: (text: string) => void;
}) => {
  const { label, span, options, lines } = fieldOf(id);
  const inputId = `camera-${id}`;
  const text = id === 'name' || id === 'job' || id === 'meterModes';
  return (
    <div className={span}>
      <label htmlFor={inputId}>{label}</label>
      {options ? (
        <Form.Select id={inputId} value={value} onChange={(event) => onChange(event.target.value)}>
          {options.map(([option, name]) => (
            <option key={option} value={option}>
              {name}
            </option>
          ))}
        </Form.Select>
      ) : lines ? (
        <Form.Control
          id={inputId}
          as="textarea"
          className="num table-text"
          rows={lines}
          placeholder="30 intra 500"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      ) : (
        <Form.Control
          id={inputId}
          className={text ? undefined : 'num'}
          autoComplete="off"
          maxLength={300}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </div>
  );
};

/** A camera changed in place: folded parts, the first open, the one that is wrong opened. */
export const CameraEditor = ({ onDone }: { onDone: () => void }) => {
  const { book } = useBench();
  const selection = useSelection();
  const { camera } = selection;
  const base = useId();
  const [fields, setFields] = useState(() => fieldsOfCamera(camera));
  const [open, setOpen] = useState<readonly GroupId[]>(['recording']);
  const made = cameraOf(fields, camera);
  const change = (part: Partial<CameraFields>) => setFields({ ...fields, ...part });
  const wrong = made.ok ? undefined : made.group;
  const save = async () => {
    if (!made.ok) {
      if (wrong) setOpen([...new Set([...open, wrong])]);
      return;
    }
    const edit = {
      label: `Camera ${made.value.name}`,
      changes: [{ table: 'cameras' as const, id: camera.id, before: camera, after: made.value }],
    };
    if (await book.edit(edit)) onDone();
  };
  const flip = (group: GroupId) =>
    setOpen(open.includes(group) ? open.filter((one) => one !== group) : [...open, group]);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {GROUP_IDS.map((group) => {
        const shown = open.includes(group);
        return (
          <section key={group} className="fold">
            <h3>
              <Button
                variant="bare"
                aria-expanded={shown}
                aria-controls={`${base}-${group}`}
                onClick={() => flip(group)}
              >
                <span aria-hidden>{shown ? '▾' : '▸'}</span> {GROUPS[group].title}
                {wrong === group && <span className="text-warn"> to mend</span>}
              </Button>
            </h3>
            {shown && (
              <div className="anchor-form" id={`${base}-${group}`}>
                {fieldIdsOf(group).map((id) => (
                  <FieldInput
                    key={id}
                    id={id}
                    value={fields[id]}
                    onChange={(text) => change({ [id]: text })}
                  />
                ))}
                {group === 'balance' && (
                  <LeanMeasure lean={fields.lean} onLean={(lean) => change({ lean })} />
                )}
                {group === 'noise' && (
                  <NoiseMeasure
                    noise={fields.noise}
                    onNoise={(noise, floorStops) => change({ noise, floor: String(floorStops) })}
                  />
                )}
              </div>
            )}
          </section>
        );
      })}
      <p className="field-error" role="alert">
        {made.ok ? '' : made.reason}
      </p>
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" variant="primary">
          Save camera
        </Button>
        <Button variant="outline-secondary" onClick={onDone}>
          Leave as it was
        </Button>
      </div>
    </form>
  );
};
