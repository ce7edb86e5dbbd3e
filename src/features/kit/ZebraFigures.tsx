'use client';

import { useMemo } from 'react';
import { meterOn, printMeter, type CameraMeter } from '#core/exposure/cameraMeter.ts';
import type { ZebraSetting } from '#core/exposure/zebra.ts';
import type { ZebraRow } from '#core/exposure/zebraSheet.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { ZebraLevel } from '#ui/parts/ZebraLevel.tsx';
import { words } from '#ui/wording/kit.ts';

/** The largest rounding of the levels that can be set. */
const worstCost = ({ card, skin }: ZebraRow) => {
  const costs = [card, ...skin].filter(({ reach }) => reach === 'within').map(({ costStops }) => costStops);
  return costs.length === 0
    ? '–'
    : printStopsDecimal(
        costs.reduce((worst, cost) => (Math.abs(cost) > Math.abs(worst) ? cost : worst), 0),
        2,
      );
};

type Picture = { readonly name: string; readonly rows: readonly ZebraRow[] };
type Subject = { readonly id: string; readonly name: string };
/** A placement with its row on each picture. */
type Placed = { readonly placement: number; readonly on: readonly ZebraRow[] };

/** A column of zebra levels: those out of the camera's reach are marked. */
const levels = (
  id: string,
  header: string,
  group: string | undefined,
  settingOf: (row: Placed) => ZebraSetting,
): Column<Placed> => ({
  id,
  header,
  group,
  cell: (row) => <ZebraLevel of={settingOf(row)} />,
  title: (row) => {
    const { exact, costStops } = settingOf(row);
    return `exact ${exact.toFixed(1)}, rounding ${printStopsDecimal(costStops, 2)} stop`;
  },
});

/** The columns of one picture; under its name where there are several. */
const columnsOf = (
  at: number,
  group: string | undefined,
  subjects: readonly Subject[],
): readonly Column<Placed>[] => [
  levels(`card ${at}`, 'Card', group, ({ on }) => on[at].card),
  ...subjects.map(({ id, name }, n) => levels(`${id} ${at}`, name, group, ({ on }) => on[at].skin[n])),
  {
    id: `cost ${at}`,
    header: words.rounding,
    group,
    cell: ({ on }) => worstCost(on[at]),
  },
  levels(`warning ${at}`, 'Warning', group, ({ on }) => on[at].warning),
  { id: `clip ${at}`, header: words.clip, group, cell: ({ on }) => on[at].clip.toFixed(1) },
];

/** Zebra levels by thirds of placement, on one picture or on both side by side. */
export const ZebraFigures = ({
  tables,
  subjects,
  taken,
  meter,
}: {
  tables: readonly Picture[];
  subjects: readonly Subject[];
  /** Placement of the plan. */
  taken: number;
  meter: CameraMeter;
}) => {
  const columns = useMemo(
    (): readonly Column<Placed>[] => [
      { id: 'placement', header: words.placement, cell: ({ placement }) => printStops(placement) },
      {
        id: 'meter',
        header: words.meter,
        says: words.whatTheCamerasOwn,
        cell: ({ placement }) => printMeter(meterOn(meter, 'card', placement), meter),
      },
      ...tables.flatMap(({ name }, at) => columnsOf(at, tables.length > 1 ? name : undefined, subjects)),
    ],
    [tables, subjects, meter],
  );
  const rows = useMemo(
    () => tables[0].rows.map(({ placement }, i) => ({ placement, on: tables.map((one) => one.rows[i]) })),
    [tables],
  );
  return (
    <DataTable
      label={words.zebraLevelsByPlacement}
      className="figures zebra-figures"
      columns={columns}
      rows={rows}
      rowKey={({ placement }) => String(placement)}
      rowProps={({ placement }) => ({ className: Math.abs(placement - taken) < 0.01 ? 'taken' : undefined })}
    />
  );
};
