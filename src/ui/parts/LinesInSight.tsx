'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import type { DrawnRow, Shown } from './column.ts';
import { TableLine } from './TableLine.tsx';

/** About the height of a row of figures, px: what is not drawn is reckoned by it. */
const ROW_PX = 29;

/** The rows of a long table that are in sight, and the height of those that are not. */
export const LinesInSight = <Row extends object>({
  rows,
  scroll,
  rowPx = ROW_PX,
  ...shown
}: Shown<Row> & {
  rows: readonly DrawnRow<Row>[];
  scroll: () => HTMLElement | null;
  rowPx?: number;
}) => {
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: scroll,
    estimateSize: () => rowPx,
    overscan: 4,
    // Lines come with the next frame: drawn at once they hold up the scrolling.
    useFlushSync: false,
  });
  const items = virtual.getVirtualItems();
  const gap = (height: number) =>
    height > 0 && (
      <tr aria-hidden>
        <td colSpan={shown.columns.length} className="long-gap" height={height} />
      </tr>
    );
  return (
    <>
      {gap(items[0]?.start ?? 0)}
      {items.map(({ index: at }) => {
        const { id, original, index } = rows[at];
        return <TableLine key={id} original={original} index={index} place={at + 2} {...shown} />;
      })}
      {gap(virtual.getTotalSize() - (items.at(-1)?.end ?? 0))}
    </>
  );
};
