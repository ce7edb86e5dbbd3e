'use client';

import { dequal } from 'dequal';
import Link from 'next/link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { SCALES } from '#core/signal/scale.ts';
import { printStopsExact } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { useBench, useHrefTo, useRecords, useSelect, useSelection } from '#ui/bench/hooks.ts';
import { THIN } from '#ui/format.ts';
import { OwnedTools } from '#ui/owned/OwnedTools.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { later } from '#ui/later.tsx';
import { addCamera } from './cameraModel.ts';
import { startsAs, startsWords } from './starts.ts';
import { leanWords, noiseWords } from './words.ts';
import { words } from '#ui/wording/kitCamera.ts';

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
    ...(camera.job === '' ? [] : [['Job', camera.job] as const]),
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

/** What new set-ups with this camera start from, and the way to make that what is planned here. */
const Starts = () => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { camera } = selection;
  const as = startsAs(selection);
  return (
    <div className="camera-starts">
      <p className="mb-1">
        <span className="quiet">{words.newSetUpsStart}</span> {startsWords(records, camera)}
      </p>
      {!dequal(camera.starts ?? {}, as) && (
        <Button
          size="sm"
          variant="outline-secondary"
          title={startsWords(records, { ...camera, starts: as })}
          onClick={() =>
            void book.edit({
              label: words.startsAsPlannedHere(camera.name),
              changes: [
                { table: 'cameras', id: camera.id, before: camera, after: { ...camera, starts: as } },
              ],
            })
          }
        >
          {words.startThemAsPlanned}
        </Button>
      )}
    </div>
  );
};

/** The camera at hand: what it can do, changed in place, or a further one like it. */
export const CameraPanel = () => {
  const { book } = useBench();
  const selection = useSelection();
  const select = useSelect();
  const hrefTo = useHrefTo();
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
      tools={
        !editing && (
          <>
            <OwnedTools
              table="cameras"
              record={camera}
              onDuplicate={() => void add()}
              onDeleted={() => select({ camera: '' })}
            />
            <Button variant="outline-secondary" size="sm" onClick={() => setEditing(true)}>
              {words.edit}
            </Button>
            <Link className="btn btn-outline-secondary btn-sm" href={hrefTo('/kit', 'new')}>
              {words.newCamera}
            </Link>
          </>
        )
      }
    >
      {editing ? (
        <CameraEditor key={camera.id} onDone={() => setEditing(false)} />
      ) : (
        <>
          <Facts />
          <Starts />
        </>
      )}
    </Panel>
  );
};
