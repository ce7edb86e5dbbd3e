import type { ReactNode } from 'react';

/** A column of a table: its heading, what stands in a cell, what it is sorted by. The first one names the row. */
export type Column<Row> = {
  readonly id: string;
  readonly header: ReactNode;
  /** What the heading means, for who asks. */
  readonly says?: string;
  readonly cell: (row: Row, index: number) => ReactNode;
  /** With it, the heading sorts by this; what is undefined comes last. */
  readonly sortBy?: (row: Row) => number | string | undefined;
  readonly className?: string | ((row: Row) => string | undefined);
  readonly title?: (row: Row) => string | undefined;
  /** The heading over this column and its neighbours of the same group. */
  readonly group?: string;
};

type RowProps = { readonly className?: string; readonly [data: `data-${string}`]: string | boolean };

/** What a line of a table is drawn by. */
export type Shown<Row> = {
  readonly columns: readonly Column<Row>[];
  readonly rowProps?: (row: Row) => RowProps;
};

/** A row as the table library hands it over. */
export type DrawnRow<Row> = { readonly id: string; readonly original: Row; readonly index: number };
