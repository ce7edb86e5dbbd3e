'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Table from 'react-bootstrap/Table';
import {
  IN_CAMERA,
  IN_CAMERA_IDS,
  schoolFor,
  SETTING_SCHOOLS,
  type InCameraId,
  type SchoolId,
} from '#core/inCamera/settings.ts';
import { kindOf } from '#core/profile/kind.ts';
import { inCameraOf, noteOf, withNote } from '#store/records/inCamera.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/kitSettings.ts';
import { MeasureSetting } from './MeasureSetting.tsx';
import { inCameraEdit, measuredWords, schoolOf } from './settingsModel.ts';

const SCHOOL_IDS = Object.keys(SETTING_SCHOOLS) as SchoolId[];

const SettingRow = ({ id, isOpen, onOpen }: { id: InCameraId; isOpen: boolean; onOpen: () => void }) => {
  const { book } = useBench();
  const { camera, profile } = useSelection();
  const own = inCameraOf(camera);
  const note = noteOf(own, profile.id, id);
  const { name, schools } = IN_CAMERA[id];
  return (
    <tr className={isOpen ? 'table-active' : undefined}>
      <th scope="row">
        <Button
          variant="bare"
          className="row-pick"
          aria-pressed={isOpen}
          title={words.open(name)}
          onClick={onOpen}
        >
          {name}
        </Button>
      </th>
      <td>{schools[schoolOf(camera, profile)].set}</td>
      <td>
        <Form.Control
          key={`${camera.id} ${profile.id} ${note?.at ?? ''}`}
          size="sm"
          className="setting-at"
          aria-label={words.isSetFor(name)}
          maxLength={40}
          defaultValue={note?.at ?? ''}
          onBlur={(event) => {
            const at = event.target.value.trim();
            if (at === (note?.at ?? '')) return;
            void book.edit(inCameraEdit(camera, withNote(own, profile.id, id, { at: at || undefined })));
          }}
        />
      </td>
      <td className={note?.measured ? undefined : 'quiet'}>{measuredWords(id, note?.measured?.frames)}</td>
    </tr>
  );
};

/** Both schools of a setting with their reasons. */
const Reasons = ({ id }: { id: InCameraId }) => {
  const { does, schools } = IN_CAMERA[id];
  return (
    <>
      <p>{does}</p>
      <dl className="setting-schools">
        {SCHOOL_IDS.map((school) => (
          <div key={school}>
            <dt>{words.setsIt(SETTING_SCHOOLS[school].name, schools[school].set)}</dt>
            <dd>{schools[school].why}</dd>
          </div>
        ))}
      </dl>
    </>
  );
};

/** A camera's picture menu with the profile at hand: what to set by either school, what each setting does. */
export const SettingsView = () => {
  const { book } = useBench();
  const { camera, profile } = useSelection();
  const [open, setOpen] = useState<InCameraId>('detail');
  const own = inCameraOf(camera);
  const school = schoolOf(camera, profile);
  const suggested = schoolFor(kindOf(profile.data));
  return (
    <div className="setting-view">
      <Panel title={words.title} note={words.note(camera.name, profile.name)}>
        <Segmented
          label={words.school}
          options={SCHOOL_IDS.map((id) => ({ id, name: SETTING_SCHOOLS[id].name }))}
          value={school}
          onPick={(picked) =>
            void book.edit(
              inCameraEdit(camera, { ...own, schools: { ...own.schools, [profile.id]: picked } }),
            )
          }
        />
        <p className="mt-2">
          {SETTING_SCHOOLS[school].says}{' '}
          <span className="quiet">
            {words.both}{' '}
            {suggested === school && words.because(school === 'post' ? words.isGraded : words.isFinished)}
          </span>
        </p>
        <TableScroll label={words.title}>
          <Table size="sm" className="setting-table" aria-label={words.title}>
            <thead>
              <tr>
                <th scope="col">{words.setting}</th>
                <th scope="col">{words.setTo}</th>
                <th scope="col">{words.isSet}</th>
                <th scope="col">{words.measured}</th>
              </tr>
            </thead>
            <tbody>
              {IN_CAMERA_IDS.map((id) => (
                <SettingRow key={id} id={id} isOpen={id === open} onOpen={() => setOpen(id)} />
              ))}
            </tbody>
          </Table>
        </TableScroll>
      </Panel>
      <Panel title={IN_CAMERA[open].name}>
        <Reasons id={open} />
        <MeasureSetting key={`${camera.id} ${profile.id} ${open}`} id={open} />
      </Panel>
    </div>
  );
};
