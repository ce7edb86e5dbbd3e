import type { Column, DrawnRow, Shown } from './column.ts';

const classOf = <Row,>({ className }: Column<Row>, row: Row) =>
  typeof className === 'function' ? className(row) : className;

/** A row of a table; its first cell names it. */
export const TableLine = <Row extends object>({
  row: { original, index },
  columns,
  rowProps,
  place,
}: Shown<Row> & { row: DrawnRow<Row>; place?: number }) => (
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
