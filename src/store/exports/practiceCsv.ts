import type { PracticeRecord } from '../records/practice.ts';
import { decimals, rowsCsv, type CsvColumn } from './rowsCsv.ts';

type Row = { readonly of: PracticeRecord; readonly mark: PracticeRecord['marks'][number] };

/** Columns of the results, one line an answer. A further one is a row. */
const COLUMNS: readonly CsvColumn<Row>[] = [
  { name: 'person', of: ({ of }) => of.person },
  { name: 'at (UTC)', of: ({ of }) => of.at },
  { name: 'drill', of: ({ of }) => of.drill },
  { name: 'level', of: ({ of }) => of.level },
  { name: 'seed', of: ({ of }) => of.seed },
  { name: 'camera', of: ({ of }) => of.camera },
  { name: 'profile', of: ({ of }) => of.profile },
  { name: 'seconds', of: ({ of }) => decimals(of.seconds, 1) },
  { name: 'asked', of: ({ mark }) => mark.ask },
  { name: 'right', of: ({ mark }) => (mark.ok ? 'yes' : 'no') },
  { name: 'off by', of: ({ mark }) => decimals(mark.miss, 3) },
  { name: 'unit', of: ({ mark }) => mark.unit },
  { name: 'full marks within', of: ({ mark }) => decimals(mark.tolerance, 3) },
  { name: 'said', of: ({ mark }) => decimals(mark.said, 3) },
  { name: 'was', of: ({ mark }) => decimals(mark.truth, 3) },
  { name: 'said and was in', of: ({ mark }) => mark.written ?? mark.unit },
];

/** Results as CSV, one line an answer. */
export const practiceCsv = (results: readonly PracticeRecord[]): string =>
  rowsCsv(
    COLUMNS,
    results.flatMap((of) => of.marks.map((mark) => ({ of, mark }))),
  );
