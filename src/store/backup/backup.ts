import type { Database } from '../database.ts';
import { LATEST } from '../database.ts';
import { usedBy } from '../kitOfShoot.ts';
import type { BookRecords } from '../mirror.ts';
import type { ThumbnailRecord } from '../records/take.ts';
import { fromBase64, toBase64 } from '../base64.ts';
import { clipPictureIds } from '../records/clip.ts';
import { TABLE_NAMES, type TableName } from '../tables.ts';
import type { Archive, ArchiveFile } from '#workers/archive/protocol.ts';

/** Rows by table, as they are stored. */
export type Rows = { readonly [T in TableName]?: readonly unknown[] };

/** The document of a back-up. */
type BackupDocument = {
  readonly format: 'candelum-backup';
  readonly version: 1;
  /** Of the database that it was taken from. */
  readonly schema: number;
  /** ISO 8601, UTC. */
  readonly exportedAt: string;
  /** The one shoot that it holds; without it everything. */
  readonly shoot?: string;
  readonly tables: Rows;
};

type Row = { readonly id: string } & Readonly<Record<string, unknown>>;

const THUMBNAILS = 'thumbnails/';
const TEXTS = 'luts/';
const thumbnailName = (id: string) => `${THUMBNAILS}${encodeURIComponent(id)}.png`;
const textName = (id: string) => `${TEXTS}${encodeURIComponent(id)}.txt`;
const idIn = (name: string, folder: string) =>
  decodeURIComponent(name.slice(folder.length).replace(/\.\w+$/, ''));

/** Tables whose rows say which shoot they belong to. */
const OF_SHOOT: ReadonlySet<TableName> = new Set([
  'setups',
  'subjects',
  'takes',
  'takeMarks',
  'clips',
  'cameraClocks',
]);

/** Which rows belong to one shoot and what it uses; all where there is none. */
const wanted = (
  book: BookRecords,
  shootId: string | undefined,
): ((table: TableName, row: Row) => boolean) => {
  if (shootId === undefined) return () => true;
  const setups = new Set(
    [...book.setups.values()].filter((one) => one.shootId === shootId).map(({ id }) => id),
  );
  const plans = [...book.plans.values()].filter(({ setupId }) => setups.has(setupId));
  const used = new Set(usedBy(book, (id) => id === shootId));
  plans.forEach(({ profileId }) => used.add(profileId));
  for (const { id, profileIds } of book.cameras.values())
    if (used.has(id)) profileIds.forEach((one) => used.add(one));
  return (table, row) => {
    if (table === 'shoots') return row.id === shootId;
    if (OF_SHOOT.has(table)) return row.shootId === shootId;
    if (table === 'plans') return setups.has(String(row.setupId));
    return used.has(row.id);
  };
};

/**
 * The records as a document and files: everything, or one shoot with what it uses. Rows go word for word as they
 * are stored, those that cannot be read as well; thumbnails and texts of LUTs lie beside.
 */
export const backupOf = async (
  database: Database,
  book: BookRecords,
  { now, shootId }: { readonly now: Date; readonly shootId?: string },
): Promise<Archive> => {
  const isWanted = wanted(book, shootId);
  const tables: Partial<Record<TableName, readonly Row[]>> = {};
  for (const name of TABLE_NAMES) {
    if (name === 'thumbnails' || name === 'lutTexts') continue;
    const rows = await database.table<Row>(name).toArray();
    tables[name] = rows.filter((row) => isWanted(name, row));
  }
  const files: ArchiveFile[] = [];
  const clips = (tables.clips ?? []) as readonly (Row & { readonly pictures?: unknown })[];
  const pictureIds = [
    ...(tables.takes ?? []).map(({ id }) => id),
    ...clips.flatMap(({ id, pictures }) =>
      clipPictureIds({ id, pictures: Math.min(8, Number(pictures) || 0) }),
    ),
  ];
  for (const picture of await database.rows('thumbnails').bulkGet(pictureIds))
    if (picture)
      files.push({ name: thumbnailName(picture.id), bytes: picture.png as Uint8Array<ArrayBuffer> });
  const lutIds = (tables.luts ?? []).map(({ id }) => id);
  const encoder = new TextEncoder();
  for (const text of await database.rows('lutTexts').bulkGet(lutIds))
    if (text) files.push({ name: textName(text.id), bytes: encoder.encode(text.text) });
  const document: BackupDocument = {
    format: 'candelum-backup',
    version: 1,
    schema: LATEST,
    exportedAt: now.toISOString(),
    ...(shootId === undefined ? {} : { shoot: book.shoots.get(shootId)?.name ?? shootId }),
    tables,
  };
  return { document, files };
};

/** A back-up as one document that stands alone: texts of LUTs in it, and pictures in base 64. */
export const inOneDocument = ({ document, files }: Archive): object => {
  const { tables, ...head } = document as BackupDocument;
  const { thumbnails = [], lutTexts } = rowsOfFiles(files);
  const pictures = (thumbnails as readonly ThumbnailRecord[]).map(({ id, png }) => ({
    id,
    png: toBase64(png),
  }));
  return { ...head, tables: { ...tables, thumbnails: pictures, lutTexts } };
};

/** Rows of such a document as they are stored. */
export const rowsOfDocument = (tables: Rows): Rows => {
  const rows = tables.thumbnails?.map((row) => {
    const { png } = (row ?? {}) as { readonly png?: unknown };
    return typeof png === 'string' ? { ...(row as object), png: fromBase64(png) } : row;
  });
  return rows ? { ...tables, thumbnails: rows } : tables;
};

/** Thumbnails and texts of a back-up as rows. */
export const rowsOfFiles = (files: readonly ArchiveFile[]): Pick<Rows, 'thumbnails' | 'lutTexts'> => {
  const decoder = new TextDecoder();
  return {
    thumbnails: files
      .filter(({ name }) => name.startsWith(THUMBNAILS))
      .map(({ name, bytes }) => ({ id: idIn(name, THUMBNAILS), png: bytes })),
    lutTexts: files
      .filter(({ name }) => name.startsWith(TEXTS))
      .map(({ name, bytes }) => ({ id: idIn(name, TEXTS), text: decoder.decode(bytes) })),
  };
};
