'use client';

import { printSigned } from '#core/units.ts';
import type { InputOnBench } from '#ui/bench/room/roomState.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/room.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import { thingRows, type ThingRow } from './roomModel.ts';

type Row = ThingRow & { readonly off?: number };

const level = (stops: number) => printSigned(stops, 2);

const columnsFor = (camera: string, hero: string): readonly Column<Row>[] => [
  { id: 'name', header: words.thing, cell: ({ name }) => name },
  { id: 'hero', header: hero, className: 'num', cell: (row) => level(row.hero), sortBy: (row) => row.hero },
  {
    id: 'camera',
    header: camera,
    className: 'num',
    cell: (row) => level(row.camera),
    sortBy: (row) => row.camera,
  },
  {
    id: 'apart',
    header: words.difference,
    className: 'num',
    cell: (row) => (row.isClipped ? words.clipped : printSigned(row.camera - row.hero, 2)),
  },
  {
    id: 'off',
    header: 'ΔE2000',
    className: 'num',
    cell: ({ off }) => off?.toFixed(1) ?? '',
    sortBy: ({ off }) => off,
  },
];

/** Each marked thing as both cameras show it. */
export const ThingsPanel = ({
  pair,
  camera,
  hero,
  solved,
}: {
  pair: MatchPair;
  camera?: InputOnBench;
  hero?: InputOnBench;
  solved?: SolvedMatch;
}) => {
  const rows = thingRows(camera?.patches, hero?.patches).map((row): Row => ({
    ...row,
    off: solved?.match.patches.find(({ name }) => name === row.name)?.before,
  }));
  if (rows.length === 0) return null;
  const names = [pair.selections.camera, pair.selections.hero].map((one) => one.camera.name);
  return (
    <Panel title={words.things} note={words.thingsNote}>
      <DataTable
        className="figures"
        label={words.things}
        columns={columnsFor(names[0], names[1])}
        rows={rows}
        rowKey={({ name }) => name}
      />
    </Panel>
  );
};
