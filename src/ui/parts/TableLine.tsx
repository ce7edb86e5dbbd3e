import type { Row as TableRow } from '@tanstack/react-table';
import type { Column, Features, RowProps } from './DataTable.tsx';

const classOf = <Row,>({ className }: Column<Row>, row: Row) =>
  typeof className === 'function' ? className(row) : className;

/** What a line is drawn by. */
export type Shown<Row> = {
  readonly columns: readonly Column<Row>[];
  readonly rowProps?: (row: Row) => RowProps;
};

/** A row of a table; its first cell names it. */
export const TableLine = <Row extends object>({
  row: { original, index },
  columns,
  rowProps,
  place,
}: Shown<Row> & { row: TableRow<Features, Row>; place?: number }) => (
  <tr aria-rowindex={place} {...rowProps?.(original)}>
    {columns.map((column, i) => {
      const props = { className: classOf(column, original), title: column.title?.(original) };
      const content = column.cell(original, index);
      return i === 0 ? (
        <th key={column.id} scope="row" {...props}>
          {content}
        </th>
      ) : (
        <td key={column.id} {...props}>
          {content}
        </td>
      );
    })}
  </tr>
);
