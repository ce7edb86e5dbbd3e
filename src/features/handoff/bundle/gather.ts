import { backupOf, inOneDocument, rowsOfFiles } from '#store/backup/backup.ts';
import type { BookRecords } from '#store/book.ts';
import { clipsOfShoot } from '#store/clips.ts';
import type { Database } from '#store/database.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { takesOfShoot } from '#store/takes.ts';
import { demoThumbnail } from '#store/demo/thumbnails.ts';
import { clipPictureIds } from '#store/records/clip.ts';
import type { ThumbnailRecord } from '#store/records/take.ts';
import type { BundleOf, ClipsOf } from './parts.ts';

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

/** Pictures of takes of the demo, which lie beside the app; one that cannot be fetched is left out. */
const demoPictures = async (
  ids: readonly string[],
  fetchPicture: FetchPicture,
): Promise<readonly (readonly [string, Uint8Array])[]> => {
  const fetched = await Promise.all(
    ids.map(async (id) => {
      const url = demoThumbnail(id);
      return [id, url && (await fetchPicture(url).catch(() => undefined))] as const;
    }),
  );
  return fetched.flatMap(([id, png]) => (png ? [[id, png] as const] : []));
};

/** The bytes that lie at a path of the app; undefined where there are none. */
type FetchPicture = (path: string) => Promise<Uint8Array | undefined>;

const fetched: FetchPicture = async (path) => {
  const answer = await fetch(path);
  return answer.ok ? new Uint8Array(await answer.arrayBuffer()) : undefined;
};

/**
 * What a bundle is made from, as it is stored. Its date is that of its newest take or clip, so that it can be made
 * again.
 */
export const gather = async (
  database: Database,
  records: BookRecords,
  shoot: ShootRecord,
  fetchPicture: FetchPicture = fetched,
): Promise<BundleOf> => {
  const of = await clipsOf(database, records, shoot);
  const times = [
    ...of.takes.map(({ loggedAt }) => loggedAt),
    ...of.clips.map(({ file }) => file.writtenAt),
  ].map((time) => Date.parse(time));
  const now = new Date(times.reduce((latest, time) => Math.max(latest, time), 0));
  const backup = await backupOf(database, records, { now, shootId: shoot.id });
  const shootJson = `${JSON.stringify(inOneDocument(backup), null, 1)}\n`;
  const pictures = (rowsOfFiles(backup.files).thumbnails ?? []) as readonly ThumbnailRecord[];
  const stored = new Map(pictures.map(({ id, png }) => [id, png]));
  const ids = [
    ...of.takes.map(({ id }) => id),
    ...of.clips.flatMap((clip) => clipPictureIds(clip).slice(0, 1)),
  ].filter((id) => !stored.has(id));
  const thumbnails = new Map([...stored, ...(await demoPictures(ids, fetchPicture))]);
  return { ...of, shoot, shootJson, at: now, thumbnails };
};
