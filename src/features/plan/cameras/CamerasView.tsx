'use client';

import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import type { AlikeState } from '#core/match/alike.ts';
import type { VerdictState } from '#core/verdict/types.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planCameras.ts';
import {
  besideRows,
  camerasBeside,
  changesForAll,
  FOR_ALL,
  FOR_ALL_IDS,
  type BesideRow,
} from './camerasModel.ts';

const MARKS = { same: 'holds', may: 'holds', look: 'watch', differs: 'lost' } as const satisfies Record<
  AlikeState,
  VerdictState
>;

const answerOf = (rows: readonly BesideRow[]): string => {
  const off = rows
    .filter(({ values }) => values.some(({ state }) => state === 'differs'))
    .map(({ name }) => name.toLowerCase());
  if (off.length === 0) return words.allEqual;
  return off.length === 1 ? words.differsOne(off[0]) : words.differ(off.length, off.join(', '));
};

/** All cameras of a set-up side by side: what must be equal and is not, and one number for all. */
export const CamerasView = () => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const cameras = useMemo(() => camerasBeside(records, selection), [records, selection]);
  const rows = useMemo(() => besideRows(cameras), [cameras]);
  if (cameras.length < 2)
    return (
      <Panel title={words.title}>
        <p className="mb-0">{words.one}</p>
      </Panel>
    );
  const columns: readonly Column<BesideRow>[] = [
    {
      id: 'what',
      header: words.setting,
      cell: ({ name, says }) => (
        <>
          {name}
          {says !== undefined && <span className="quiet match-says">{says}</span>}
        </>
      ),
    },
    ...cameras.map(({ camera }, i) => ({
      id: camera.id,
      header: camera.name,
      className: 'num',
      cell: ({ values }: BesideRow) => {
        const { text, state } = values[i];
        return (
          <>
            {state !== undefined && state !== 'same' && <StateMark state={MARKS[state]} />} {text}
          </>
        );
      },
    })),
  ];
  return (
    <Panel title={words.title} note={words.note(selection.camera.name)}>
      <p>
        <strong>{answerOf(rows)}</strong>
      </p>
      <TableScroll label={words.title}>
        <DataTable
          label={words.title}
          className="figures words"
          columns={columns}
          rows={rows}
          rowKey={({ id }) => id}
        />
      </TableScroll>
      <p className="quiet mt-2">{words.mayDiffer}</p>
      <div className="choices" role="group" aria-label={words.forAll}>
        {FOR_ALL_IDS.map((id) => {
          const { name, print } = FOR_ALL[id];
          const changes = changesForAll(id, cameras);
          const label = words.setForAll(name, print(selection.plan));
          return (
            <Button
              key={id}
              variant="outline-secondary"
              size="sm"
              disabled={changes.length === 0}
              onClick={() => void book.edit({ label, changes })}
            >
              {changes.length === 0 ? words.isForAll(name) : label}
            </Button>
          );
        })}
      </div>
      <p className="quiet mb-0">{words.howBalance}</p>
    </Panel>
  );
};
