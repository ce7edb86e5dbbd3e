'use client';

import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  tableFeatures,
  useTable,
  type ColumnDef,
  type Header,
} from '@tanstack/react-table';
import { useMemo, useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import type { LinesInSight as LongLines } from './LinesInSight.tsx';
import type { Column, Shown } from './column.ts';
import { TableLine } from './TableLine.tsx';
import { later } from '../later.tsx';

const LinesInSight = later(() =>
  import('./LinesInSight.tsx').then((part) => part.LinesInSight),
) as typeof LongLines;

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic },
});
type Features = typeof features;

/** Columns as the table library has them: neighbours of one group under its heading. */
const definitions = <Row extends object>(columns: readonly Column<Row>[]) => {
  const helper = createColumnHelper<Features, Row>();
  const leaf = ({ id, header, sortBy }: Column<Row>) =>
    helper.accessor((row) => sortBy?.(row), {
      id,
      header: () => header,
      enableSorting: sortBy !== undefined,
      sortFn: 'basic',
      sortUndefined: 'last',
    }) as unknown as ColumnDef<Features, Row>;
  const groups: { readonly name?: string; readonly columns: Column<Row>[] }[] = [];
  for (const column of columns) {
    const last = groups.at(-1);
    if (last && column.group !== undefined && last.name === column.group) last.columns.push(column);
    else groups.push({ name: column.group, columns: [column] });
  }
  return groups.flatMap(({ name, columns: own }): ColumnDef<Features, Row>[] =>
    name === undefined
      ? own.map(leaf)
      : [helper.group({ id: name, header: () => name, columns: own.map(leaf) }) as ColumnDef<Features, Row>],
  );
};

const SORT_SIGNS = { asc: '▴', desc: '▾' } as const;
const SORT_WORDS = { asc: 'ascending', desc: 'descending' } as const;

/** The heading of a column; where the column can be sorted, a button that does it. */
const Heading = <Row extends object>({
  header,
  column,
  startsGroup,
}: {
  header: Header<Features, Row>;
  column: Column<Row>;
  startsGroup: boolean;
}) => {
  const order = header.column.getIsSorted();
  return (
    <th
      scope="col"
      title={column.says}
      className={startsGroup ? 'group-start' : undefined}
      aria-sort={order ? SORT_WORDS[order] : undefined}
    >
      {column.sortBy ? (
        <Button variant="bare" className="sort" onClick={header.column.getToggleSortingHandler()}>
          {column.header}
          <span className="sort-sign" aria-hidden>
            {order && SORT_SIGNS[order]}
          </span>
        </Button>
      ) : (
        column.header
      )}
    </th>
  );
};

/** From so many rows on, only those in sight are drawn; the table scrolls in its own place then. */
const MANY_ROWS = 60;
/** A table that compares or lists: sorted by its headings where that tells something. */
export const DataTable = <Row extends object>({
  label,
  columns,
  rows,
  rowKey,
  rowProps,
  className = 'figures',
  isBusy,
  rowPx,
}: Shown<Row> & {
  /** What the table is called. */
  label: string;
  rows: readonly Row[];
  rowKey: (row: Row) => string;
  className?: string;
  isBusy?: boolean;
  /** Height of a row, where it is not one line of figures. */
  rowPx?: number;
}) => {
  const defined = useMemo(() => definitions(columns), [columns]);
  const table = useTable({
    features,
    columns: defined,
    data: rows as Row[],
    getRowId: rowKey,
    enableMultiSort: false,
  });
  const shown = table.getRowModel().rows;
  const scroll = useRef<HTMLDivElement>(null);
  const isLong = shown.length > MANY_ROWS;
  const [leaves, ...groups] = table.getHeaderGroups().toReversed();
  const drawn = (
    <Table
      className={className}
      aria-label={label}
      aria-busy={isBusy}
      aria-rowcount={isLong ? shown.length + 1 : undefined}
    >
      <thead>
        {groups.map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) =>
              header.isPlaceholder ? (
                <td key={header.id} colSpan={header.colSpan} />
              ) : (
                <th key={header.id} scope="colgroup" colSpan={header.colSpan} className="group-head">
                  {header.column.id}
                </th>
              ),
            )}
          </tr>
        ))}
        <tr>
          {leaves.headers.map((header, i) => (
            <Heading
              key={header.id}
              header={header}
              column={columns[i]}
              startsGroup={i > 0 && columns[i].group !== columns[i - 1].group}
            />
          ))}
        </tr>
      </thead>
      <tbody>
        {isLong ? (
          <LinesInSight
            rows={shown}
            columns={columns}
            rowProps={rowProps}
            rowPx={rowPx}
            scroll={() => scroll.current}
          />
        ) : (
          shown.map(({ id, original, index }) => (
            <TableLine key={id} original={original} index={index} columns={columns} rowProps={rowProps} />
          ))
        )}
      </tbody>
    </Table>
  );
  return isLong ? (
    <div ref={scroll} className="long-table" tabIndex={0} role="group" aria-label={label}>
      {drawn}
    </div>
  ) : (
    drawn
  );
};
