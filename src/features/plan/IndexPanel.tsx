'use client';

import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { indexRows, type IndexRow } from '#core/exposure/exposureIndex.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { useCard, useEditPlan, useSelection } from '#ui/bench/hooks.ts';
import { inPost } from '#ui/format.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/planIndex.ts';

/** What each exposure index comes to on a camera whose gain is fixed; picked, it is set. */
export const IndexPanel = () => {
  const selection = useSelection();
  const editPlan = useEditPlan();
  const { numbers } = useCard();
  const { camera, plan } = selection;
  const { clipStops, floorStops } = numbers;
  const rows = useMemo(
    () => indexRows(camera.isos, camera.baseIsos, { clipStops, floorStops }),
    [camera.isos, camera.baseIsos, clipStops, floorStops],
  );
  if (camera.sensitivity !== 'ei') return null;
  const columns: readonly Column<IndexRow>[] = [
    {
      id: 'index',
      header: words.index,
      cell: ({ index, isBase }) => (
        <Button
          variant="bare"
          className="row-pick"
          aria-pressed={index === plan.iso}
          onClick={() => editPlan(words.setIndex(index), { iso: index })}
        >
          {index} {isBase && <span className="quiet">{words.base}</span>}
        </Button>
      ),
    },
    { id: 'placement', header: words.placement, cell: ({ placement }) => printStops(placement) },
    { id: 'above', header: words.above, cell: ({ above }) => printStopsDecimal(above) },
    { id: 'below', header: words.below, cell: ({ below }) => printStopsDecimal(below) },
    { id: 'post', header: words.inPost, cell: ({ placement }) => inPost(placement) },
  ];
  return (
    <Panel title={words.title} note={words.note} className="placements">
      <ul className="index-does">
        {words.does.map(([what, says]) => (
          <li key={what}>
            <strong>{what}</strong> {says}
          </li>
        ))}
      </ul>
      <DataTable
        label={words.title}
        columns={columns}
        rows={rows}
        rowKey={({ index }) => String(index)}
        rowProps={({ index }) => ({ className: index === plan.iso ? 'taken' : undefined })}
      />
      <p className="quiet mb-0">{camera.zebra.follows === 'no' ? words.doesNotFollow : words.twoFaults}</p>
    </Panel>
  );
};
