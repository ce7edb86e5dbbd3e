'use client';

import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { firstFull, type RawChannel, type RawIso, type RawReason } from '#core/sensor/raw.ts';
import { printStops, printStopsDecimal, printStopsOf } from '#core/units.ts';
import { positiveTo } from '#store/records/common.ts';
import { developedName, rawKindOf, rawNotes, rawPlanOf, type RawKind } from '#store/records/raw.ts';
import { useBench, useCard, useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { printKelvin } from '#ui/format.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { words } from '#ui/wording/planRaw.ts';
import { useSurvey } from '../useSurvey.ts';
import { isosOf, rawOfSetup } from './rawModel.ts';

const useRaw = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const records = useRecords();
  const survey = useSurvey();
  return useMemo(
    () => rawOfSetup(selection, numbers, records, survey.ok ? survey.value : undefined),
    [selection, numbers, records, survey],
  );
};

const CHANNELS: readonly Column<RawChannel>[] = [
  { id: 'channel', header: words.channel, cell: ({ name }) => name },
  { id: 'full', header: words.full, cell: ({ clipStops }) => printStopsDecimal(clipStops) },
  { id: 'floor', header: words.floor, cell: ({ floorStops }) => printStopsDecimal(floorStops) },
];
const ISOS: readonly Column<RawIso>[] = [
  { id: 'iso', header: words.iso, cell: ({ iso }) => iso },
  { id: 'file', header: words.inFile, cell: ({ isWish, gain }) => (isWish ? words.wish(gain) : words.gain) },
  { id: 'above', header: words.above, cell: ({ above }) => printStopsDecimal(above) },
  { id: 'below', header: words.below, cell: ({ below }) => printStopsDecimal(below) },
];

const Side = ({ title, reasons }: { title: string; reasons: readonly RawReason[] }) => (
  <div>
    <h3 className="h6">{title}</h3>
    <ul>
      {reasons.length === 0 && <li className="quiet">{words.nothing}</li>}
      {reasons.map(({ says }) => (
        <li key={says}>{says}</li>
      ))}
    </ul>
  </div>
);

/** What the camera's raw is, as its owner says. */
const Kind = ({ kind }: { kind: RawKind }) => {
  const { book } = useBench();
  const { camera } = useSelection();
  const [refused, setRefused] = useState(false);
  const isExample = rawKindOf(camera) === undefined;
  const keep = (part: Partial<RawKind>) =>
    void book.edit({
      label: words.saved,
      changes: [
        {
          table: 'cameras',
          id: camera.id,
          before: camera,
          after: { ...camera, raw: { ...kind, ...part } },
        },
      ],
    });
  const typed = kind.realIsos.join(' ');
  return (
    <div className="anchor-form">
      <NumberField
        className="anchor-half"
        label={words.mbps}
        rule={{ schema: positiveTo(20_000), says: words.typeMbps }}
        value={kind.mbps}
        isExample={isExample}
        onSet={(mbps) => keep({ mbps })}
      />
      <Form.Group className="anchor-half" controlId="raw-isos">
        <Form.Label>{words.realIsos}</Form.Label>
        <Form.Control
          key={typed}
          size="sm"
          defaultValue={typed}
          isInvalid={refused}
          aria-describedby="raw-isos-says"
          onBlur={(event) => {
            const isos = isosOf(event.target.value, camera.isos);
            setRefused(isos === undefined);
            if (isos && isos.join(' ') !== typed) keep({ realIsos: [...isos] });
          }}
        />
        <Form.Text id="raw-isos-says" className={refused ? 'text-warn' : undefined}>
          {refused ? words.typeIsos(camera.isos.join(' ')) : words.isosHint}
        </Form.Text>
      </Form.Group>
    </div>
  );
};

/** Whether this plan records raw, and what post makes of it. */
const Recorded = () => {
  const editPlan = useEditPlan();
  const { plan, camera, profile } = useSelection();
  const { profiles } = useRecords();
  const raw = rawPlanOf(plan);
  const names = camera.profileIds.flatMap((id) => {
    const record = profiles.get(id);
    return record ? [{ id, name: record.name }] : [];
  });
  return (
    <>
      <Toggle
        on={raw !== undefined}
        name={words.records}
        onFlip={() =>
          editPlan(words.recorded, { raw: raw ? undefined : { developTo: profile.id, name: profile.name } })
        }
      />
      {raw && (
        <>
          <Form.Group className="anchor-half mt-2" controlId="raw-develop">
            <Form.Label>{words.developTo}</Form.Label>
            <Form.Select
              size="sm"
              value={raw.developTo}
              onChange={(event) => {
                const to = names.find(({ id }) => id === event.target.value);
                if (to) editPlan(words.developTo, { raw: { developTo: to.id, name: to.name } });
              }}
            >
              {names.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
              {names.every(({ id }) => id !== raw.developTo) && (
                <option value={raw.developTo}>{developedName(raw, profiles)}</option>
              )}
            </Form.Select>
          </Form.Group>
          <p className="mt-2 mb-0">{rawNotes({ plan, camera, profiles })}</p>
        </>
      )}
    </>
  );
};

/** Raw as a kind of recording: whether it is worth it, how bright, what the dial does, what post makes of it. */
export const RawPanel = () => {
  const editPlan = useEditPlan();
  const { camera, plan, profile } = useSelection();
  const { numbers } = useCard();
  const { kind, isos, channels, placement, reasons, isWorth } = useRaw();
  const first = firstFull(channels);
  const apart = first.clipStops - numbers.clipStops;
  return (
    <Panel title={words.title} note={words.note(camera.name)} className="mt-3">
      <p className="solved">
        <strong>{isWorth ? words.worth : words.notWorth}</strong>
      </p>
      <div className="raw-sides">
        <Side title={words.forRaw} reasons={reasons.filter(({ side }) => side === 'raw')} />
        <Side title={words.against} reasons={reasons.filter(({ side }) => side === 'log')} />
      </div>
      <p className="quiet">
        {words.assumed} {rawKindOf(camera) === undefined && words.example(kind.mbps)}
      </p>
      <p>
        {placement === undefined
          ? words.noSurvey
          : words.asBright(
              printStops(placement),
              first.name[0].toUpperCase() + first.name.slice(1),
              printStopsOf(plan.warningMargin),
            )}{' '}
        {placement !== undefined && placement !== plan.placement && (
          <Button size="sm" variant="outline-secondary" onClick={() => editPlan(words.placed, { placement })}>
            {words.place(printStops(placement))}
          </Button>
        )}
      </p>
      <p>
        {words.developed(
          profile.name,
          apart >= 0 ? words.before(printStopsOf(apart)) : words.after(printStopsOf(apart)),
        )}{' '}
        {words.balance(printKelvin(plan.kelvin))}
      </p>
      <div className="raw-sides">
        <div>
          <h3 className="h6">{words.channels}</h3>
          <DataTable label={words.channels} columns={CHANNELS} rows={channels} rowKey={({ name }) => name} />
        </div>
        <div>
          <h3 className="h6">{words.isos}</h3>
          <p>{words.gains(kind.realIsos.join(', '))}</p>
          <Folded title={words.everyIso}>
            <DataTable
              label={words.isos}
              columns={ISOS}
              rows={isos}
              rowKey={({ iso }) => String(iso)}
              rowProps={({ iso }) => ({ className: iso === plan.iso ? 'taken' : undefined })}
            />
          </Folded>
        </div>
      </div>
      <Recorded />
      <Folded title={words.kind}>
        <Kind key={camera.id} kind={kind} />
      </Folded>
      <Folded title={words.howWorked}>
        <p className="quiet mb-0">{words.arithmetic}</p>
      </Folded>
    </Panel>
  );
};
