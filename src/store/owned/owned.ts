import type * as z from 'zod/mini';
import type { BookRecords } from '../book.ts';
import type { Change } from '../edits.ts';
import type { ClipRecord } from '../records/clip.ts';
import type { LutTextRecord } from '../records/lut.ts';
import type { TakeRecord, ThumbnailRecord } from '../records/take.ts';
import type { TakeMarksRecord } from '../records/takeMarks.ts';
import type { RecordOf, TableName } from '../tables.ts';

/** Records that are not in memory and go along with what is deleted or copied. */
export type Held = {
  readonly takes: readonly TakeRecord[];
  readonly thumbnails: readonly ThumbnailRecord[];
  readonly takeMarks: readonly TakeMarksRecord[];
  readonly clips: readonly ClipRecord[];
  readonly lutTexts: readonly LutTextRecord[];
};

export const NONE_HELD: Held = { takes: [], thumbnails: [], takeMarks: [], clips: [], lutTexts: [] };

/** Makes ids that nobody has. */
export type NewId = () => string;

/** What a user has and names: how it is copied and deleted, with all that belongs to it. */
export type Owned<T extends TableName> = {
  readonly table: T;
  /** The takes that belong to it, by which of their fields. */
  readonly takesBy?: 'id' | 'shootId' | 'setupId';
  /** Whether the clips of its shoot belong to it. */
  readonly hasClips?: boolean;
  /** Whether the text of a file belongs to it. */
  readonly hasText?: boolean;
  readonly nameOf: (record: RecordOf<T>) => string;
  /** Under another name; what it is called where that is no name: `Number`. */
  readonly renamed?: (record: RecordOf<T>, name: string) => RecordOf<T>;
  readonly naming?: { readonly label: string; readonly schema: z.ZodMiniType<string> };
  /** The copy first, then what belongs to it; none where a copy is more than records: it goes on the plan at hand. */
  readonly copy?: (
    book: BookRecords,
    record: RecordOf<T>,
    held: Held,
    make: { readonly id: NewId; readonly name: string; readonly now: Date },
  ) => readonly Change[];
  /** What is taken out or changed when it goes. */
  readonly removal: (book: BookRecords, record: RecordOf<T>, held: Held) => readonly Change[];
  /** What becomes of records that go on without it, after their count: `will fall back to another`. */
  readonly without?: string;
  /** Why it stays, where it cannot be deleted or renamed. */
  readonly staying?: (book: BookRecords, record: RecordOf<T>) => string | undefined;
};

/** Records of a table taken out. */
export const gone = <T extends TableName>(table: T, records: Iterable<RecordOf<T>>): readonly Change[] =>
  [...records].map((before) => ({ table, id: before.id, before }) as unknown as Change);

/** Records of a table as they are and as they become. */
export const turned = <T extends TableName>(
  table: T,
  records: Iterable<RecordOf<T>>,
  to: (record: RecordOf<T>) => RecordOf<T>,
): readonly Change[] =>
  [...records].map((before) => ({ table, id: before.id, before, after: to(before) }) as unknown as Change);

export const added = <T extends TableName>(table: T, after: RecordOf<T>): Change =>
  ({ table, id: after.id, after }) as unknown as Change;

/** A record as the user's own. */
export const asOwn = <T extends { readonly isDemo?: true }>(record: T): T => {
  const { isDemo: _, ...own } = record;
  return own as T;
};
