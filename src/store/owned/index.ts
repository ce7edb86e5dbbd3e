import { ownEntry } from '#core/ownEntry.ts';
import type { BookRecords } from '../book.ts';
import { clipsOfShoot } from '../clips.ts';
import type { Database } from '../database.ts';
import type { Change, Edit } from '../edits.ts';
import { freeNameAmong } from '../freeName.ts';
import { clipPictureIds } from '../records/clip.ts';
import { readRows } from '../setAside.ts';
import type { RecordOf, TableName } from '../tables.ts';
import { RECORD_WORDS } from '../words.ts';
import { cameras } from './cameras.ts';
import { luts } from './luts.ts';
import { NONE_HELD, turned, type Held, type NewId, type Owned } from './owned.ts';
import { profiles } from './profiles.ts';
import { setups } from './setups.ts';
import { shoots } from './shoots.ts';
import { takes } from './takes.ts';

/** What can be renamed, duplicated and deleted; a further kind is a file and a row. */
const OWNED = { shoots, setups, cameras, profiles, luts, takes } as const satisfies {
  readonly [T in TableName]?: Owned<T>;
};
export type OwnedTable = keyof typeof OWNED;

/** How a record of a table is renamed, copied and deleted. */
export const ownedOf = <T extends OwnedTable>(table: T): Owned<T> => OWNED[table] as unknown as Owned<T>;

/** What belongs to a record and is not in memory. What cannot be read is left where it is. */
export const heldBy = async <T extends OwnedTable>(
  database: Database,
  table: T,
  record: RecordOf<T>,
): Promise<Held> => {
  const { takesBy, hasText, hasClips } = ownedOf(table);
  if (hasText) {
    const text = await database.rows('lutTexts').get(record.id);
    return { ...NONE_HELD, lutTexts: text ? [text] : [] };
  }
  if (!takesBy) return NONE_HELD;
  const rows: unknown[] = await database.table('takes').where(takesBy).equals(record.id).toArray();
  const { good } = readRows('takes', rows);
  const clips = hasClips ? (await clipsOfShoot(database, record.id)).clips : [];
  const ids = [...good.map(({ id }) => id), ...clips.flatMap(clipPictureIds)];
  const pictures = (await database.rows('thumbnails').bulkGet(ids)).filter((one) => one !== undefined);
  const marks = (await database.rows('takeMarks').bulkGet(good.map(({ id }) => id))).filter(
    (one) => one !== undefined,
  );
  return { ...NONE_HELD, takes: good, thumbnails: pictures, takeMarks: marks, clips };
};

const wordOf = (table: TableName, name: string) => `${RECORD_WORDS[table]} ${name}`;

export const renameEdit = <T extends OwnedTable>(table: T, record: RecordOf<T>, name: string): Edit => {
  const { renamed, nameOf } = ownedOf(table);
  return {
    label: `Rename ${wordOf(table, nameOf(record))}`,
    changes: renamed ? turned(table, [record], (one) => renamed(one, name)) : [],
  };
};

/** The edit that copies a record, and the id of the copy; nothing where its kind is copied elsewhere. */
export const duplicateEdit = <T extends OwnedTable>(
  book: BookRecords,
  table: T,
  record: RecordOf<T>,
  held: Held,
  make: { readonly id: NewId; readonly now: Date },
): { readonly edit: Edit; readonly id: string } | undefined => {
  const { copy, nameOf } = ownedOf(table);
  if (!copy) return undefined;
  const others = ownEntry(book as unknown as Record<string, ReadonlyMap<string, { name: string }>>, table);
  const name = freeNameAmong(others?.values() ?? [], `${nameOf(record)} copy`);
  const changes = copy(book, record, held, { ...make, name });
  return { edit: { label: `Duplicate ${wordOf(table, nameOf(record))}`, changes }, id: changes[0].id };
};

export const removalEdit = <T extends OwnedTable>(
  book: BookRecords,
  table: T,
  record: RecordOf<T>,
  held: Held,
): Edit => {
  const { removal, nameOf } = ownedOf(table);
  return { label: `Delete ${wordOf(table, nameOf(record))}`, changes: removal(book, record, held) };
};

/** Why a record stays as it is; undefined where it can be renamed and deleted. */
export const stayingReason = <T extends OwnedTable>(
  book: BookRecords,
  table: T,
  record: RecordOf<T>,
): string | undefined => ownedOf(table).staying?.(book, record);

const counted = (changes: readonly Change[]): string => {
  const counts = new Map<TableName, number>();
  for (const { table } of changes) counts.set(table, (counts.get(table) ?? 0) + 1);
  const words = [...counts].map(([table, n]) => `${n} ${RECORD_WORDS[table]}${n === 1 ? '' : 's'}`);
  const last = words.pop() ?? '';
  return words.length > 0 ? `${words.join(', ')} and ${last}` : last;
};

/** Sentences of what else a removal takes along or changes, from what it really does; none where it does not. */
export const dependentWords = <T extends OwnedTable>(
  table: T,
  record: RecordOf<T>,
  { changes }: Edit,
): string[] => {
  const others = changes.filter((change) => change.table !== table || change.id !== record.id);
  const along = others.filter(({ after }) => after === undefined);
  const left = others.filter(({ after }) => after !== undefined);
  const { without = 'will change' } = ownedOf(table);
  return [
    ...(along.length > 0 ? [`Deleted with it: ${counted(along)}.`] : []),
    ...(left.length > 0 ? [`${counted(left)} ${without}.`] : []),
  ];
};
