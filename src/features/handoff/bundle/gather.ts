import { backupOf, rowsOfFiles } from '#store/backup/backup.ts';
import type { BookRecords } from '#store/book.ts';
import { clipsOfShoot } from '#store/clips.ts';
import type { Database } from '#store/database.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { takesOfShoot } from '#store/takes.ts';
import type { ArchiveFile } from '#workers/archive/protocol.ts';
import type { BundleOf } from './parts.ts';

type ShootDocument = { readonly tables: object };

/** A back-up's document with the texts of its LUTs in it: it stands alone. */
const withTexts = (document: ShootDocument, files: readonly ArchiveFile[]) => ({
  ...document,
  tables: { ...document.tables, lutTexts: rowsOfFiles(files).lutTexts },
});

/**
 * What a bundle is made from, as it is stored. Its date is that of its newest take or clip, so that it can be made
 * again.
 */
export const gather = async (
  database: Database,
  records: BookRecords,
  shoot: ShootRecord,
): Promise<BundleOf> => {
  const { takes: newest } = await takesOfShoot(database, shoot.id);
  const { clips } = await clipsOfShoot(database, shoot.id);
  const times = [...newest.map(({ loggedAt }) => loggedAt), ...clips.map(({ file }) => file.writtenAt)].map(
    (time) => Date.parse(time),
  );
  const now = new Date(times.reduce((latest, time) => Math.max(latest, time), 0));
  const { document, files } = await backupOf(database, records, { now, shootId: shoot.id });
  return {
    records,
    shoot,
    takes: newest.toReversed(),
    clips,
    shootJson: `${JSON.stringify(withTexts(document as ShootDocument, files), null, 1)}\n`,
  };
};
