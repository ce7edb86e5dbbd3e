'use client';

import * as z from 'zod/mini';
import type { Book } from '#store/book.ts';
import type { Database } from '#store/database.ts';

/**
 * Notes that were typed and not stored yet when the page was left: the database takes longer than a page has
 * then, this does not. They are stored when the records are opened next.
 */
const KEY = 'candelum-unsent-notes';
/** As many as a take's notes may have. */
const MOST_LETTERS = 4000;
const unsentSchema = z.catch(z.record(z.string(), z.object({ before: z.string(), after: z.string() })), {});
type AllUnsent = z.infer<typeof unsentSchema>;
type Unsent = AllUnsent[string];

const read = (): AllUnsent => {
  try {
    return unsentSchema.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    return {};
  }
};

const write = (all: AllUnsent): void => {
  try {
    if (Object.keys(all).length === 0) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(all));
  } catch {
    // Without room the database is still asked to store them.
  }
};

export const keepUnsent = (takeId: string, notes: Unsent): void => write({ ...read(), [takeId]: notes });

export const dropUnsent = (takeId: string): void => {
  const { [takeId]: sent, ...rest } = read();
  if (sent) write(rest);
};

/** Stores what was kept; notes that somebody has changed since stay, with what was typed under them. */
export const sendUnsent = async (book: Book, database: Database): Promise<void> => {
  for (const [id, { before, after }] of Object.entries(read())) {
    const take = await database.rows('takes').get(id);
    if (take && take.notes !== after) {
      const notes = (take.notes === before ? after : `${take.notes}\n${after}`).slice(0, MOST_LETTERS);
      const isStored = await book.patch(`Notes of take ${take.number}`, 'takes', id, { notes });
      if (!isStored) continue;
    }
    dropUnsent(id);
  }
};
