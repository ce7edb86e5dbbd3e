'use client';

import { printFigure } from '#core/cameraTest/printFigure.ts';
import { TEST_PARTS, type TestTold } from '#core/cameraTest/evaluate.ts';
import { shotTitle } from '#core/cameraTest/shotWords.ts';
import type { Figure } from '#core/cameraTest/tell/types.ts';
import type { Shot } from '#core/cameraTest/types.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import type { Column } from '#ui/parts/column.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { TestPlot } from './TestPlot.tsx';

/** Shots that are named; further ones are counted. */
const MOST_NAMED = 2;

const shotsSaid = (from: readonly string[], list: readonly Shot[]): string => {
  const titles = from.slice(0, MOST_NAMED).map((id) => {
    const shot = list.find((one) => one.id === id);
    return shot ? shotTitle(shot) : id;
  });
  const more = from.length - titles.length;
  return more > 0 ? words.andMore(titles.join(', '), more) : titles.join(', ');
};

/** Figures with how exactly they are known and the shots they were read on. */
export const Figures = ({ figures, list }: { figures: readonly Figure[]; list: readonly Shot[] }) => {
  const columns: readonly Column<Figure>[] = [
    { id: 'name', header: words.figure, cell: ({ name }) => name },
    { id: 'value', header: words.value, className: 'num', cell: (figure) => printFigure(figure) },
    { id: 'from', header: words.from, className: 'quiet', cell: ({ from }) => shotsSaid(from, list) },
  ];
  return (
    <DataTable
      label={words.figures}
      className="test-table"
      rows={figures}
      columns={columns}
      rowKey={({ id }) => id}
    />
  );
};

/** Everything that was measured, part by part. */
export const FiguresPanel = ({ told, list }: { told: TestTold; list: readonly Shot[] }) => (
  <Panel title={words.everything} note={words.everythingNote} className="test-figures">
    {told.parts
      .filter(({ figures, warnings }) => figures.length + warnings.length > 0)
      .map(({ id, figures, plots, warnings }) => (
        <Folded key={id} title={TEST_PARTS[id].name} isOpen={id === 'curve' || id === 'noise'}>
          {warnings.map((warning) => (
            <p key={warning} className="test-warning">
              {warning}
            </p>
          ))}
          <div className="test-part">
            {plots.map((plot) => (
              <TestPlot key={plot.id} plot={plot} />
            ))}
            {figures.length > 0 && <Figures figures={figures} list={list} />}
          </div>
        </Folded>
      ))}
  </Panel>
);
