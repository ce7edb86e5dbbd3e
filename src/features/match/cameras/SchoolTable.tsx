'use client';

import { MATCH_SCHOOLS, type SchoolAnswer } from '#core/match/schools.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';

const figure = (value: number | undefined) => (value === undefined ? '–' : value.toFixed(1));

const columns: readonly Column<SchoolAnswer>[] = [
  {
    id: 'school',
    header: words.school,
    cell: ({ id, all }) => (
      <>
        {MATCH_SCHOOLS[id].name}
        <span className="quiet match-says">
          {all === undefined ? MATCH_SCHOOLS[id].without : MATCH_SCHOOLS[id].says}
        </span>
      </>
    ),
  },
  { id: 'skin', header: `${words.kindSkin} ΔE`, className: 'num', cell: ({ skin }) => figure(skin) },
  {
    id: 'neutral',
    header: `${words.kindNeutral} ΔE`,
    className: 'num',
    cell: ({ neutral }) => figure(neutral),
  },
  { id: 'all', header: `${words.all} ΔE`, className: 'num', cell: ({ all }) => figure(all) },
];

/** What each school of bringing cameras together leaves between these two. */
export const SchoolTable = ({ schools }: { schools: readonly SchoolAnswer[] }) => (
  <Panel title={words.schools}>
    <DataTable
      className="figures words"
      columns={columns}
      rows={schools}
      rowKey={({ id }) => id}
      label={words.schools}
    />
  </Panel>
);
