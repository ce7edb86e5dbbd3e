'use client';

import Button from 'react-bootstrap/Button';
import { operationOf } from '#core/correction/operations.ts';
import { toldApart, type Apart } from '#core/room/seats.ts';
import { printSigned } from '#core/units.ts';
import { useBench } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/room.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import { roomEdit, withPosition, type RoomCamera } from './roomModel.ts';

type Row = { readonly name: string; readonly apart: Apart; readonly isQuiet?: boolean };

const columns: readonly Column<Row>[] = [
  { id: 'name', header: words.positions, cell: ({ name }) => name },
  { id: 'stops', header: words.stops, className: 'num', cell: ({ apart }) => printSigned(apart.stops, 2) },
  { id: 'mired', header: words.mired, className: 'num', cell: ({ apart }) => printSigned(apart.mired, 0) },
  { id: 'tint', header: words.tint, className: 'num', cell: ({ apart }) => printSigned(apart.tint, 1) },
  { id: 'seen', header: '', cell: ({ isQuiet }) => (isQuiet ? words.notSeen : '') },
];

/** What the camera has over the hero, as a light: the correction backwards. */
const apartOf = (solved: SolvedMatch): Apart => {
  const { stops = 0 } = operationOf(solved.match.correction, 'exposure') ?? {};
  const { mired = 0, tint = 0 } = operationOf(solved.match.correction, 'balance') ?? {};
  return { stops: -stops || 0, mired: -mired || 0, tint: -tint || 0 };
};

/** Which part of a difference is the camera's and which the light's, from several positions. */
export const SeatsPanel = ({ camera, solved }: { camera: RoomCamera; solved?: SolvedMatch }) => {
  const { book } = useBench();
  const { room, position } = camera;
  const kept = room.positions.flatMap(({ name, apart }) => (apart ? [{ name, apart }] : []));
  const told = toldApart(kept);
  const rows: readonly Row[] = told
    ? [
        { name: words.camera, apart: told.camera },
        ...told.light.map(({ name, apart, isSeen }) => ({
          name: words.lightAt(name),
          apart,
          isQuiet: !isSeen,
        })),
      ]
    : kept;
  const keep = (apart: Apart) =>
    void book.edit(
      roomEdit(
        camera,
        withPosition(room, position.id, { apart }),
        words.apartEdit(camera.camera.name, position.name),
      ),
    );
  return (
    <Panel
      title={words.seats}
      note={words.seatsNote}
      tools={
        <Button
          size="sm"
          variant="outline-secondary"
          disabled={!solved}
          onClick={() => solved && keep(apartOf(solved))}
        >
          {words.keepApart}
        </Button>
      }
    >
      {rows.length > 0 && (
        <DataTable
          className="figures"
          label={words.seats}
          columns={columns}
          rows={rows}
          rowKey={({ name }) => name}
        />
      )}
      {!told && <p className="quiet">{words.seatsNeed}</p>}
    </Panel>
  );
};
