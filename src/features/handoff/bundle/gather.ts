import { backupOf, rowsOfFiles } from '#store/backup/backup.ts';
import type { BookRecords } from '#store/book.ts';
import { clipsOfShoot } from '#store/clips.ts';
import type { Database } from '#store/database.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { takesOfShoot } from '#store/takes.ts';
import type { ArchiveFile } from '#workers/archive/protocol.ts';
import type { BundleOf, ClipsOf } from './parts.ts';

type ShootDocument = { readonly tables: object };

/** A back-up's document with the texts of its LUTs in it: it stands alone. */
const withTexts = (document: ShootDocument, files: readonly ArchiveFile[]) => ({
  ...document,
  tables: { ...document.tables, lutTexts: rowsOfFiles(files).lutTexts },
});

/** Takes, oldest first, and clips of a shoot as they are stored. */
export const clipsOf = async (
  database: Database,
  records: BookRecords,
  shoot: ShootRecord,
): Promise<ClipsOf> => {
  const { takes } = await takesOfShoot(database, shoot.id);
  const { clips } = await clipsOfShoot(database, shoot.id);
  return { records, takes: takes.toReversed(), clips };
};

/**
 * What a bundle is made from, as it is stored. Its date is that of its newest take or clip, so that it can be made
 * again.
 */
export const gather = async (
  database: Database,
  records: BookRecords,
  shoot: ShootRecord,
): Promise<BundleOf> => {
  const of = await clipsOf(database, records, shoot);
  const times = [
    ...of.takes.map(({ loggedAt }) => loggedAt),
    ...of.clips.map(({ file }) => file.writtenAt),
  ].map((time) => Date.parse(time));
  const now = new Date(times.reduce((latest, time) => Math.max(latest, time), 0));
  const { document, files } = await backupOf(database, records, { now, shootId: shoot.id });
  const shootJson = `${JSON.stringify(withTexts(document as ShootDocument, files), null, 1)}\n`;
  return { ...of, shoot, shootJson };
};
