'use client';

import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { zebraTrap } from '#core/exposure/zebraSheet.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { monitorPicture } from '#store/monitorPicture.ts';
import { useCard, useEditPlan, useSelection } from '#ui/bench/hooks.ts';
import { inPost } from '#ui/format.ts';
import { Arithmetic } from '#ui/parts/Arithmetic.tsx';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { ZebraLevel } from '#ui/parts/ZebraLevel.tsx';
import { REASONS } from '#ui/setCard/reasons.ts';
import { IndexPanel } from './IndexPanel.tsx';
import { MeterPanel } from './MeterPanel.tsx';
import { RawPanel } from './raw/RawPanel.tsx';
import { placementRows } from './placementRows.ts';
import { behindTheLut } from './planWords.ts';
import { words } from '#ui/wording/plan.ts';

type Placed = ReturnType<typeof placementRows>[number];

const Placements = () => {
  const selection = useSelection();
  const editPlan = useEditPlan();
  const rows = useMemo(() => placementRows(selection), [selection]);
  const { subjects, plan } = selection;
  const isTaken = ({ placement }: Placed) => Math.abs(placement - plan.placement) < 0.01;
  const columns: readonly Column<Placed>[] = [
    {
      id: 'placement',
      header: words.placement,
      cell: (row) => (
        <Button
          variant="bare"
          className="row-pick"
          aria-pressed={isTaken(row)}
          onClick={() => editPlan(`Placement ${printStops(row.placement)}`, { placement: row.placement })}
        >
          {printStops(row.placement)}
        </Button>
      ),
    },
    { id: 'card', header: words.cardZebra, cell: ({ card }) => <ZebraLevel of={card} /> },
    ...subjects.map(({ id, name, skinOffset }, i) => ({
      id: `face ${id}`,
      header: (
        <>
          {name} <span className="quiet">{printStopsDecimal(skinOffset)}</span>
        </>
      ),
      cell: ({ skin }: Placed) => <ZebraLevel of={skin[i]} />,
    })),
    {
      id: 'rounding',
      header: words.roundingStop,
      cell: ({ outOfReach, cost }) => (outOfReach.length > 0 ? 'out of reach' : printStopsDecimal(cost, 2)),
      className: ({ outOfReach }) => (outOfReach.length > 0 ? 'text-warn' : undefined),
    },
    { id: 'over', header: words.stopsOverIt, cell: ({ roomAbove }) => printStopsDecimal(roomAbove) },
    { id: 'under', header: words.usableUnderIt, cell: ({ usableBelow }) => printStopsDecimal(usableBelow) },
    { id: 'post', header: words.inPost, cell: ({ placement }) => inPost(placement) },
  ];
  return (
    <Panel title={words.placementByThirds} note={words.cardSkinAndRoom} className="placements">
      <DataTable
        label={words.placementByThirds}
        columns={columns}
        rows={rows}
        rowKey={({ placement }) => String(placement)}
        rowProps={(row) => ({ className: isTaken(row) ? 'taken' : undefined })}
      />
    </Panel>
  );
};

const Light = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const input = { selection, numbers };
  const rows = [
    { name: words.light, ...REASONS.iris(input) },
    { name: 'ISO', ...REASONS.iso(input) },
    { name: words.shutter, ...REASONS.shutter(input) },
  ];
  return (
    <Panel title={words.whatTheseSettingsMean} note={words.computedFromTheCard}>
      {rows.map(({ name, why, lines }) => (
        <Folded
          key={name}
          className="reason"
          title={
            <>
              <strong>{name}</strong> <span>{why}</span>
            </>
          }
        >
          <Arithmetic lines={lines} />
        </Folded>
      ))}
    </Panel>
  );
};

const ZebraTrap = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const { reads } = selection.camera.zebra;
  const trap = zebraTrap(selection.profile.data);
  const other = setCardNumbers(
    selection.profile.data,
    { ...selection.camera, zebra: { ...selection.camera.zebra, reads: reads === 'log' ? 'lut' : 'log' } },
    selection.plan,
    selection.subjects,
    selection.setup.fps,
    monitorPicture(selection, selection.profile.data),
  );
  return (
    <Panel
      title={words.whichPictureTheZebra}
      note={reads === 'log' ? words.hereTheRecording : words.hereTheLutsOutput}
    >
      <div className="two-numbers">
        <p>
          <span className="quiet">{reads === 'log' ? 'On the recording' : 'Behind the LUT'}</span>
          <strong className="aim">
            <ZebraLevel of={numbers.card} />
          </strong>
        </p>
        <p>
          <span className="quiet">
            {reads === 'log' ? 'Were it behind the LUT' : 'Were it on the recording'}
          </span>
          <strong>
            <ZebraLevel of={other.card} />
          </strong>
        </p>
      </div>
      <p className="trap">
        <StateMark state={reads === 'log' ? trap.worth : 'holds'} />
        {reads === 'log' ? trap.says : behindTheLut()}
      </p>
    </Panel>
  );
};

/** Placement by thirds, what the settings mean, and which picture the zebra reads. */
export const FiguresView = () => (
  <>
    <div className="plan-top">
      <Light />
      <ZebraTrap />
    </div>
    <IndexPanel />
    <Placements />
    <MeterPanel />
    <RawPanel />
  </>
);
