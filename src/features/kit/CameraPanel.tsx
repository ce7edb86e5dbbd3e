'use client';

import { useState, type ReactNode } from 'react';
import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';
import { printStopsExact } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { THIN } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { addCamera, cameraOf, fieldsOfCamera, type CameraFields } from './cameraModel.ts';

const Facts = () => {
  const { camera } = useBench().selection;
  const { zebra } = camera;
  const facts = [
    ['Records', `${camera.coding.bitDepth}-bit ${camera.chroma}, ${camera.coding.range}`],
    ['Base ISO', camera.baseIsos.join(' and ')],
    ['Usable floor', `${printStopsExact(camera.floorStops)} at base`],
    ['Zebra reads', zebra.reads === 'log' ? 'the recorded signal' : 'the display LUT’s output'],
    [
      'Zebra',
      `${zebra.range.min}–${zebra.range.max} by ${zebra.range.step}, ±${zebra.range.tolerances.join(' ')}`,
    ],
    [
      'Warning',
      `${zebra.lowerLimit.min}–${zebra.lowerLimit.max} by ${zebra.lowerLimit.step}, ${SCALES[zebra.scale].name}`,
    ],
    ['White bal.', `${camera.kelvinRange[0]}–${camera.kelvinRange[1]}${THIN}K by ${camera.kelvinStep}`],
  ];
  return (
    <dl className="facts">
      {facts.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
};

type TextField = {
  readonly id: keyof CameraFields;
  readonly label: string;
  readonly span: 'anchor' | 'anchor-quarter' | 'anchor-half';
};

const TEXTS: readonly TextField[] = [
  { id: 'name', label: 'Name', span: 'anchor-half' },
  { id: 'job', label: 'Job', span: 'anchor-half' },
  { id: 'baseIsos', label: 'Base ISO, one or two', span: 'anchor-half' },
  { id: 'isoFrom', label: 'ISO from', span: 'anchor-quarter' },
  { id: 'isoTo', label: 'to', span: 'anchor-quarter' },
  { id: 'irises', label: 'Iris, or one if fixed', span: 'anchor-half' },
  { id: 'floor', label: 'Usable floor at base, stops', span: 'anchor-half' },
  { id: 'kelvin', label: 'White balance, K', span: 'anchor-half' },
  { id: 'kelvinStep', label: 'by', span: 'anchor-half' },
  { id: 'zebraRange', label: 'Zebra levels', span: 'anchor-half' },
  { id: 'zebraStep', label: 'by', span: 'anchor-quarter' },
  { id: 'tolerances', label: '± offered', span: 'anchor-quarter' },
  { id: 'warningRange', label: 'Warning levels', span: 'anchor-half' },
  { id: 'warningStep', label: 'by', span: 'anchor-half' },
];

const CHOICES = [
  {
    id: 'bitDepth',
    label: 'Bits',
    options: [
      ['8', '8'],
      ['10', '10'],
      ['12', '12'],
    ],
  },
  {
    id: 'chroma',
    label: 'Chroma',
    options: [
      ['4:2:0', '4:2:0'],
      ['4:2:2', '4:2:2'],
      ['4:4:4', '4:4:4'],
    ],
  },
  {
    id: 'range',
    label: 'Range',
    options: [
      ['legal', 'legal'],
      ['full', 'full'],
    ],
  },
  {
    id: 'shutterBy',
    label: 'Shutter set by',
    options: [
      ['angle', 'angle'],
      ['time', 'time'],
    ],
  },
  { id: 'zebraScale', label: 'Zebra speaks', options: SCALE_IDS.map((id) => [id, SCALES[id].name]) },
  {
    id: 'zebraReads',
    label: 'Zebra reads',
    options: [
      ['log', 'the recording'],
      ['lut', 'the LUT’s output'],
    ],
  },
] as const satisfies readonly {
  id: keyof CameraFields;
  label: string;
  options: readonly (readonly string[])[];
}[];

const Editor = ({ onDone }: { onDone: () => void }) => {
  const { selection, book } = useBench();
  const { camera } = selection;
  const [fields, setFields] = useState(() => fieldsOfCamera(camera));
  const made = cameraOf(fields, camera);
  const field = (id: string, label: string, span: string, input: ReactNode) => (
    <div className={span} key={id}>
      <label htmlFor={`camera-${id}`}>{label}</label>
      {input}
    </div>
  );
  const save = async () => {
    if (!made.ok) return;
    const edit = {
      label: `Camera ${made.value.name}`,
      changes: [{ table: 'cameras' as const, id: camera.id, before: camera, after: made.value }],
    };
    if (await book.edit(edit)) onDone();
  };
  return (
    <form
      className="anchor-form"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {TEXTS.slice(0, 2).map(({ id, label, span }) =>
        field(
          id,
          label,
          span,
          <input
            id={`camera-${id}`}
            className="form-control"
            maxLength={80}
            value={fields[id]}
            onChange={(event) => setFields({ ...fields, [id]: event.target.value })}
          />,
        ),
      )}
      {CHOICES.map(({ id, label, options }) =>
        field(
          id,
          label,
          'anchor-half',
          <select
            id={`camera-${id}`}
            className="form-select"
            value={fields[id]}
            onChange={(event) => setFields({ ...fields, [id]: event.target.value })}
          >
            {options.map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </select>,
        ),
      )}
      {TEXTS.slice(2).map(({ id, label, span }) =>
        field(
          id,
          label,
          span,
          <input
            id={`camera-${id}`}
            className="form-control num"
            autoComplete="off"
            value={fields[id]}
            onChange={(event) => setFields({ ...fields, [id]: event.target.value })}
          />,
        ),
      )}
      <p className="anchor-wide field-error" role="alert">
        {made.ok ? '' : made.reason}
      </p>
      <div className="anchor-wide d-flex gap-2">
        <button type="submit" className="btn btn-primary" disabled={!made.ok}>
          Save camera
        </button>
        <button type="button" className="btn btn-outline-secondary" onClick={onDone}>
          Leave as it was
        </button>
      </div>
    </form>
  );
};

/** The camera at hand: what it can do, changed in place, or a further one like it. */
export const CameraPanel = () => {
  const { selection, book, select } = useBench();
  const { camera, setup } = selection;
  const [editing, setEditing] = useState(false);
  const add = async () => {
    const id = crypto.randomUUID();
    const name = `${camera.name} copy`.slice(0, 80);
    if (!(await book.edit(addCamera(camera, setup, id, name)))) return;
    select({ camera: id });
    setEditing(true);
  };
  return (
    <Panel
      title={camera.name}
      note={camera.job}
      tools={
        !editing && (
          <>
            <button type="button" className="btn btn-sm btn-outline-secondary" onClick={() => void add()}>
              Add a camera
            </button>
            <button
              type="button"
              className="btn btn-sm btn-outline-secondary"
              onClick={() => setEditing(true)}
            >
              Edit
            </button>
          </>
        )
      }
    >
      {editing ? <Editor key={camera.id} onDone={() => setEditing(false)} /> : <Facts />}
    </Panel>
  );
};
