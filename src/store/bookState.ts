import type { StoreApi } from 'zustand/vanilla';
import type { BookRecords } from './mirror.ts';

export type BookState = BookRecords & {
  readonly status: 'loading' | 'ready' | 'failed';
  /** One sentence about the last write that did not go as it was meant. */
  readonly problem?: string;
  /** One sentence about records that are stored and cannot be read. */
  readonly unreadable?: string;
  /** Writes that are shown and that the database does not hold yet. */
  readonly unsaved: number;
  readonly undoable?: string;
  readonly redoable?: string;
};

export type BookStore = StoreApi<BookState>;
