import type { TableRow } from '../../transfer/index.ts';

/** Rows rise by no less than this, signal fraction. */
const LEAST_RISE = 1e-5;

/** Rows of a table, each at least a little over the one before: a curve that does not rise is none. */
export const rising = (rows: readonly TableRow[]): readonly TableRow[] =>
  rows.reduce<TableRow[]>((kept, row) => {
    const before = kept[kept.length - 1];
    const least = before ? before.signal + LEAST_RISE : -Infinity;
    kept.push(row.signal < least ? { ...row, signal: least } : row);
    return kept;
  }, []);
