'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { SCALES } from '#core/signal/scale.ts';
import { printStopsExact } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { useBench, useSelect, useSelection } from '#ui/bench/hooks.ts';
import { THIN } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { later } from '#ui/later.tsx';
import { addCamera } from './cameraModel.ts';
import { leanWords, noiseWords } from './words.ts';

const zebraKinds = (kinds: CameraRecord['zebra']['kinds']) =>
  kinds.length === 2 ? 'range and limit' : kinds[0] === 'range' ? 'range only' : 'limit only';
const biasWords = (bias: number) => (bias === 0 ? '' : `, shows ${printStopsExact(bias)} over`);

const CameraEditor = later(() => import('./CameraEditor.tsx').then((part) => part.CameraEditor));

const list = (values: readonly number[]) =>
  values.length > 6 ? `${values[0]} to ${values[values.length - 1]}` : values.join(' ');

const factsOf = (camera: CameraRecord): (readonly [string, string])[] => {
  const { zebra, meter } = camera;
  const isos = `${camera.isos[0]} to ${camera.isos[camera.isos.length - 1]}`;
  return [
    ['Records', `${camera.coding.bitDepth}-bit ${camera.chroma}, ${camera.coding.range}`],
    ...camera.recordings.map((r) => [`to ${r.upToFps} fps`, `${r.codec}, ${r.mbps}${THIN}Mb/s`] as const),
    ['Base ISO', `${camera.baseIsos.join(' and ')}, ${camera.sensitivity === 'ei' ? 'EI' : 'gain'} ${isos}`],
    ...(camera.extendedUnder === undefined
      ? []
      : [['Extended low', `under ISO ${camera.extendedUnder}`] as const]),
    ['Usable floor', `${printStopsExact(camera.floorStops)} at base`],
    [
      'Zebra reads',
      `${zebra.reads === 'log' ? 'the recording' : 'the LUT’s output'}, ${SCALES[zebra.scale].name}`,
    ],
    [
      'Zebra',
      `${zebra.range.min}–${zebra.range.max} by ${zebra.range.step}, ±${list(zebra.range.tolerances)}`,
    ],
    ['Warning', `${zebra.lowerLimit.min}–${zebra.lowerLimit.max} by ${zebra.lowerLimit.step}`],
    ['At once', `${zebra.slots}, ${zebraKinds(zebra.kinds)}`],
    ['Meter', `${meter.modes.join(', ') || 'none'} ±${meter.scale}${biasWords(meter.bias)}`],
    ['Shutter', `by ${camera.shutterBy}, ${list(camera.shutters)}`],
    ['White bal.', `${camera.kelvinRange[0]}–${camera.kelvinRange[1]}${THIN}K by ${camera.kelvinStep}`],
  ];
};

const Facts = () => {
  const { camera } = useSelection();
  return (
    <>
      <dl className="facts">
        {factsOf(camera).map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet facts-foot">
        {camera.lean ? leanWords(camera.lean) : 'Lean not measured.'}{' '}
        {camera.noise && noiseWords(camera.noise)}
      </p>
    </>
  );
};

/** The camera at hand: what it can do, changed in place, or a further one like it. */
export const CameraPanel = () => {
  const { book } = useBench();
  const selection = useSelection();
  const select = useSelect();
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
            <Button variant="outline-secondary" size="sm" onClick={() => void add()}>
              Add a camera
            </Button>
            <Button variant="outline-secondary" size="sm" onClick={() => setEditing(true)}>
              Edit
            </Button>
          </>
        )
      }
    >
      {editing ? <CameraEditor key={camera.id} onDone={() => setEditing(false)} /> : <Facts />}
    </Panel>
  );
};
