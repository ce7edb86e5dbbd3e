import Dexie from 'dexie';
import type { Pairing } from '#core/clips/pairing.ts';
import type { ClipOnCard, TakeInLog } from '#core/clips/types.ts';
import type { Database } from './database.ts';
import { checkedRecord } from './edits.ts';
import { clipPictureIds, type ClipRecord } from './records/clip.ts';
import type { TakeRecord } from './records/take.ts';
import { readRows, type SetAside } from './setAside.ts';

// Clips are many and change often while they are surveyed: what the machine finds is written as it comes, without a
// step of undo; what a person decides goes through the book.

/** Clips of a shoot in the order they were recorded, and what is stored among them and cannot be read. */
export const clipsOfShoot = async (
  database: Database,
  shootId: string,
): Promise<{ readonly clips: readonly ClipRecord[]; readonly setAside: readonly SetAside[] }> => {
  const rows: unknown[] = await database.table('clips').where('shootId').equals(shootId).toArray();
  const { good, setAside } = readRows('clips', rows);
  return { clips: good.toSorted(byStart), setAside };
};

const startOf = ({ facts, file }: ClipRecord) => facts?.startedAt ?? file.writtenAt;
const byStart = (a: ClipRecord, b: ClipRecord) =>
  startOf(a).localeCompare(startOf(b)) || a.file.name.localeCompare(b.file.name);

/** What is known of a file before it is opened. */
export type FileSeen = Pick<ClipRecord['file'], 'name' | 'bytes' | 'writtenAt'>;
const sameFile = (a: FileSeen, b: FileSeen) => a.name === b.name && a.bytes === b.bytes;

/** Which record a file is of, by name and size; undefined for one that is new. */
export const clipOfFile = (clips: readonly ClipRecord[], file: FileSeen): ClipRecord | undefined =>
  clips.find((clip) => sameFile(clip.file, file));

/** Most clips of one shoot. */
export const MOST_CLIPS = 5000;

/** A file on a camera's card as a clip that waits for its survey. */
export const waitingClip = (
  id: string,
  { shootId, cameraId }: Pick<ClipRecord, 'shootId' | 'cameraId'>,
  file: FileSeen,
): ClipRecord => ({
  id,
  shootId,
  cameraId,
  file,
  state: 'waiting',
  circled: false,
  notes: '',
  pictures: 0,
});

/**
 * What a survey found, written on the clip as it stands now: what was decided about it meanwhile stays. Nothing where
 * the clip is gone. @throws Refusal when it does not fit the schema.
 */
export const writeSurvey = async (
  database: Database,
  id: string,
  found: Pick<ClipRecord, 'state' | 'problem' | 'facts' | 'found'>,
  pictures: readonly Uint8Array<ArrayBuffer>[],
): Promise<void> => {
  await database.transaction('rw', ['clips', 'thumbnails'], async () => {
    const row = await database.rows('clips').get(id);
    if (!row) return;
    const next = { ...row, problem: undefined, ...found, pictures: pictures.length };
    await database.rows('thumbnails').bulkDelete([...clipPictureIds(row)]);
    await database.rows('clips').put(checkedRecord('clips', next) as ClipRecord);
    await database
      .rows('thumbnails')
      .bulkPut(clipPictureIds(next).map((pictureId, n) => ({ id: pictureId, png: pictures[n] })));
  });
};

const seconds = (iso: string) => Date.parse(iso) / 1000;

/** A clip as pairing sees it. Without a start of its own it goes by when the file was written, less its length. */
const clipForPairing = ({ id, file, facts }: ClipRecord): ClipOnCard => ({
  id,
  name: file.name,
  startedAt: facts?.startedAt ? seconds(facts.startedAt) : seconds(file.writtenAt) - (facts?.seconds ?? 0),
  seconds: facts?.seconds ?? 0,
});

/** A take as pairing sees it. */
const takeForPairing = ({ id, loggedAt, measured }: TakeRecord): TakeInLog => ({
  id,
  loggedAt: seconds(loggedAt),
  file: measured?.source?.kind === 'clip' ? measured.file : undefined,
});

/** Clips and takes that pairing may join: what was decided by hand stands. */
export const toBePaired = (clips: readonly ClipRecord[], takes: readonly TakeRecord[]) => {
  const byHand = clips.filter(({ take }) => take?.by === 'hand');
  const used = new Set(byHand.map(({ take }) => take?.id));
  return {
    clips: clips.filter((clip) => !byHand.includes(clip) && clip.state === 'surveyed').map(clipForPairing),
    takes: takes.filter(({ id }) => !used.has(id)).map(takeForPairing),
  };
};

/** Writes what pairing found on those clips that were not paired by hand meanwhile. */
export const writePairing = async (
  database: Database,
  asked: readonly ClipOnCard[],
  { pairs }: Pairing,
): Promise<void> => {
  const found = new Map(pairs.map((pair) => [pair.clipId, pair]));
  await database.transaction('rw', 'clips', async () => {
    const rows = await database.rows('clips').bulkGet(asked.map(({ id }) => id));
    const changed = rows.flatMap((row) => {
      if (!row || row.take?.by === 'hand') return [];
      const pair = found.get(row.id);
      const take = pair && {
        id: pair.takeId,
        by: 'found' as const,
        probability: Math.min(1, pair.probability),
      };
      return row.take?.id === take?.id && row.take?.probability === take?.probability
        ? []
        : [{ ...row, take }];
    });
    await database.rows('clips').bulkPut(changed);
  });
};

/** Takes of one camera on a shoot, oldest first. */
export const takesOfCamera = async (
  database: Database,
  shootId: string,
  cameraId: string,
): Promise<readonly TakeRecord[]> => {
  const rows: unknown[] = await database
    .table('takes')
    .where('[shootId+loggedAt]')
    .between([shootId, Dexie.minKey], [shootId, Dexie.maxKey])
    .toArray();
  return readRows('takes', rows).good.filter((take) => take.cameraId === cameraId);
};
