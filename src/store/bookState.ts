import type { StoreApi } from 'zustand/vanilla';
import type { BookRecords } from './mirror.ts';
import type { SetAside } from './setAside.ts';

export type BookState = BookRecords & {
  readonly status: 'loading' | 'ready' | 'failed';
  /** What a new database begins with is shown and not stored yet. */
  readonly isFilling?: boolean;
  /** One sentence about the last write that did not go as it was meant. */
  readonly problem?: string;
  /** A newer version wrote the records: they are shown, and nothing can be changed. */
  readonly isReadOnly?: boolean;
  /** Records that are stored and cannot be read; nothing writes over them. */
  readonly setAside: readonly SetAside[];
  /** Writes that are shown and that the database does not hold yet. */
  readonly unsaved: number;
  readonly undoable?: string;
  readonly redoable?: string;
};

export type BookStore = StoreApi<BookState>;
