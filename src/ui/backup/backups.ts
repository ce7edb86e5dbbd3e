'use client';

import { failure, success, type Result } from '#core/result.ts';
import { backupOf } from '#store/backup/backup.ts';
import { readBackup, type Backup } from '#store/backup/readBackup.ts';
import type { Book } from '#store/book.ts';
import type { Database } from '#store/database.ts';
import { startArchive } from '#workers/archive/client.ts';

/** The records of a window. */
export type Kept = { readonly database: Database; readonly book: Book };

const STOPPED = 'The back-up was stopped: do it again.';

/** The records as the bytes of a back-up: everything, or one shoot with what it uses. */
export const makeBackup = async (
  { database, book }: Kept,
  { now, shootId }: { readonly now: Date; readonly shootId?: string },
): Promise<Result<Uint8Array<ArrayBuffer>>> => {
  const archive = startArchive();
  try {
    const content = await backupOf(database, book.getState(), { now, shootId });
    const made = await archive.call('pack', content);
    if (made.state === 'done') return success(made.output);
    return failure('file', made.state === 'failed' ? made.reason : STOPPED);
  } finally {
    archive.end();
  }
};

/** Opens a file that was chosen: a back-up, a shoot, a log, or all records as JSON. */
export const openBackup = async (file: File): Promise<Result<Backup>> => {
  const archive = startArchive();
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const opened = await archive.call('unpack', bytes, { transfer: [bytes.buffer] });
    if (opened.state !== 'done') return failure('file', opened.state === 'failed' ? opened.reason : STOPPED);
    return opened.output.ok ? await readBackup(opened.output.value) : opened.output;
  } catch {
    return failure(file.name, 'The file cannot be read: choose it again.');
  } finally {
    archive.end();
  }
};
