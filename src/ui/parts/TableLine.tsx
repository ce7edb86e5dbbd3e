import { memo } from 'react';
import type { Column, DrawnRow, Shown } from './column.ts';

const classOf = <Row,>({ className }: Column<Row>, row: Row) =>
  typeof className === 'function' ? className(row) : className;

type Props<Row> = Shown<Row> & Omit<DrawnRow<Row>, 'id'> & { readonly place?: number };

const Line = <Row extends object>({ original, index, columns, rowProps, place }: Props<Row>) => (
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

/** A row of a table; its first cell names it. One that stays as it was is not drawn again while others come by. */
export const TableLine = memo(Line) as typeof Line;
