import type { StoreApi } from 'zustand/vanilla';
import type { BookRecords } from './mirror.ts';
import type { SetAside } from './setAside.ts';

export type BookState = BookRecords & {
  readonly status: 'loading' | 'ready' | 'failed';
  /** One sentence about the last write that did not go as it was meant. */
  readonly problem?: string;
  /** Records that are stored and cannot be read; nothing writes over them. */
  /** A newer version wrote the records: they are shown, and nothing can be changed. */
  readonly isReadOnly?: boolean;
  readonly setAside: readonly SetAside[];
  /** Writes that are shown and that the database does not hold yet. */
  readonly unsaved: number;
  readonly undoable?: string;
  readonly redoable?: string;
};

export type BookStore = StoreApi<BookState>;
