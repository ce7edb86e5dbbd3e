'use client';

import { dequal } from 'dequal';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { LutRecord } from '#store/records/lut.ts';
import { pictureOf } from '#store/monitorPicture.ts';
import type { Edit } from '#store/edits.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { buildOf } from '#ui/bench/session/lutWork.ts';
import { printPull } from '#ui/format.ts';
import { useBuild } from './useBuild.ts';
import { attachEdit, keepEdit } from '../kitModel.ts';
import { words } from '#ui/wording/lutsBuild.ts';

/** The kit’s monitors: what LUT each one carries for this set-up and camera, and the one being built to put on it. */
export const Monitors = ({ record }: { record: LutRecord }) => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { set } = useBuild();
  const [name, setName] = useState('');
  const { plan, profile } = selection;
  const monitors = [...records.monitors.values()];
  const named = { ...record, name: (name.trim() || record.name).slice(0, 80) };
  const edit = (made: Edit) => void book.edit(made);
  const kept = [...records.luts.values()].find(
    (lut) => lut.name === named.name && dequal(lut.recipe, record.recipe),
  );
  const fresh = { ...named, id: kept?.id ?? crypto.randomUUID() };
  const keep = kept ? [] : keepEdit(fresh).changes;
  const put = (monitorId: string, lutId: string, before: Edit['changes'] = []) =>
    edit(attachEdit(selection, monitorId, lutId, before));
  const pulls = (lut: LutRecord) => printPull(pictureOf(lut, profile.data).pullStops);
  return (
    <div className="lut-kit">
      <div className="lut-keep">
        <Form.Control
          size="sm"
          className="lut-name"
          aria-label={words.nameOfTheLut}
          placeholder={record.name}
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
        <Button
          variant="outline-secondary"
          size="sm"
          disabled={kept !== undefined}
          onClick={() => edit(keepEdit(fresh))}
        >
          {kept ? words.kept : words.keepInTheKit}
        </Button>
        <Form.Select
          size="sm"
          aria-label={words.startFromALut}
          value=""
          onChange={(event) => {
            const recipe = records.luts.get(event.target.value)?.recipe;
            if (recipe) set('from the kit', buildOf(recipe));
          }}
        >
          <option value="">{words.startFrom}</option>
          {[...records.luts.values()].flatMap((lut) =>
            lut.recipe
              ? [
                  <option key={lut.id} value={lut.id}>
                    {lut.name}
                  </option>,
                ]
              : [],
          )}
        </Form.Select>
      </div>
      <ul className="lut-monitors">
        {monitors.map((monitor) => {
          const on = records.luts.get(plan.monitorLuts?.[monitor.id] ?? '');
          return (
            <li key={monitor.id}>
              <span className="lut-monitor">
                {monitor.name}
                <span className="quiet">
                  {monitor.lutPoints === 0 ? 'loads none' : `${monitor.lutPoints} points, ${monitor.range}`}
                </span>
              </span>
              <Form.Select
                size="sm"
                aria-label={words.lutOnNamed(monitor.name)}
                disabled={monitor.lutPoints === 0}
                value={on?.id ?? ''}
                onChange={(event) => put(monitor.id, event.target.value)}
              >
                <option value="">{words.computed}</option>
                {[...records.luts.values()].map((lut) => (
                  <option key={lut.id} value={lut.id}>
                    {lut.name}, {pulls(lut)}
                  </option>
                ))}
              </Form.Select>
              <Button
                variant="outline-secondary"
                size="sm"
                disabled={monitor.lutPoints === 0 || (on?.id === kept?.id && kept !== undefined)}
                title={words.keepWhatIsBuilt(monitor.name)}
                onClick={() => put(monitor.id, fresh.id, keep)}
              >
                {words.putOn}
              </Button>
            </li>
          );
        })}
      </ul>
    </div>
  );
};
