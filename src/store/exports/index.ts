import type { ShootRecord } from '../records/shoot.ts';
import type { TakeRecord } from '../records/take.ts';

/** A file that the log of a shoot is handed over as. */
type LogExport = {
  readonly name: string;
  readonly extension: string;
  readonly type: string;
  /** What it is for. */
  readonly says: string;
  /** Comes with its writer, which nobody needs who saves nothing. */
  readonly write: (shoot: ShootRecord, takes: readonly TakeRecord[], now: Date) => Promise<string>;
};

/** Exports of the log, in the order in which they are offered. A further one is a file and a row. */
export const LOG_EXPORTS: readonly LogExport[] = [
  {
    name: 'CSV',
    extension: 'csv',
    type: 'text/csv;charset=utf-8',
    says: 'CSV for a table',
    write: async (_shoot, takes) => (await import('./takesCsv.ts')).takesCsv(takes),
  },
  {
    name: 'JSON',
    extension: 'json',
    type: 'application/json',
    says: 'JSON to read back whole (version 1)',
    write: async (...log) => (await import('./takesJson.ts')).takesJson(...log),
  },
];
