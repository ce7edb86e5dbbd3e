import type { ShootRecord } from '../records/shoot.ts';
import type { TakeRecord } from '../records/take.ts';
import { takesCsv } from './takesCsv.ts';
import { takesJson } from './takesJson.ts';

/** A file that the log of a shoot is handed over as. */
type LogExport = {
  readonly name: string;
  readonly extension: string;
  readonly type: string;
  /** What it is for. */
  readonly says: string;
  readonly write: (shoot: ShootRecord, takes: readonly TakeRecord[], now: Date) => string;
};

/** Exports of the log, in the order in which they are offered. A further one is a file and a row. */
export const LOG_EXPORTS: readonly LogExport[] = [
  {
    name: 'CSV',
    extension: 'csv',
    type: 'text/csv;charset=utf-8',
    says: 'CSV for a table',
    write: (_shoot, takes) => takesCsv(takes),
  },
  {
    name: 'JSON',
    extension: 'json',
    type: 'application/json',
    says: 'JSON to read back whole (version 1)',
    write: takesJson,
  },
];
