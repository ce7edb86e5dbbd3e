'use client';

import { compareCurves, compareFigures, type ComparedFigure } from '#core/cameraTest/compare.ts';
import { printFigure } from '#core/cameraTest/printFigure.ts';
import type { Figure } from '#core/cameraTest/tell/types.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { CameraTestRecord } from '#store/records/cameraTest.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import type { Column } from '#ui/parts/column.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/kitTest.ts';

const figuresOf = ({ parts }: CameraTestRecord): readonly Figure[] =>
  parts.flatMap(({ figures }) => figures as unknown as readonly Figure[]);

const Table = ({
  rows,
  pair,
  label,
}: {
  rows: readonly ComparedFigure[];
  pair: readonly [CameraTestRecord, CameraTestRecord];
  label: string;
}) => {
  const columns: readonly Column<ComparedFigure>[] = [
    { id: 'name', header: words.figure, cell: ({ name }) => name },
    { id: 'before', header: pair[0].name, className: 'num', cell: ({ before }) => printFigure(before) },
    { id: 'after', header: pair[1].name, className: 'num', cell: ({ after }) => printFigure(after) },
  ];
  return (
    <DataTable label={label} className="test-table" rows={rows} columns={columns} rowKey={({ id }) => id} />
  );
};

/** Two tests side by side: whether the curve has moved, and what else has. */
export const Comparison = ({ pair }: { pair: readonly [CameraTestRecord, CameraTestRecord] }) => {
  // The older one is what the newer one is held against.
  const [before, after] = [...pair].sort((a, b) => a.at.localeCompare(b.at));
  const curves = compareCurves(before.profile, after.profile);
  const rows = compareFigures(figuresOf(before), figuresOf(after));
  const moved = rows.filter((row) => row.moved);
  const worst = curves.offs.reduce((a, b) => (Math.abs(b.off) > Math.abs(a.off) ? b : a));
  return (
    <div className="test-comparison">
      <p className="test-verdict">
        {curves.moved
          ? words.curveMoved(printStopsDecimal(worst.off, 2), printStopsDecimal(worst.at, 0))
          : words.curveSame}
      </p>
      {moved.length > 0 ? (
        <Table rows={moved} pair={[before, after]} label={words.moved} />
      ) : (
        <p className="quiet">{words.nothingMoved}</p>
      )}
      <Folded title={words.allCompared(rows.length)}>
        <Table rows={rows} pair={[before, after]} label={words.compared} />
      </Folded>
    </div>
  );
};
