import * as z from 'zod/mini';
import { added, gone, type Owned } from './owned.ts';

/** A take and its picture. A copy is a further take by the same card; it gets its number when it is written. */
export const takes: Owned<'takes'> = {
  table: 'takes',
  takesBy: 'id',
  nameOf: ({ number }) => `${number}`,
  renamed: (take, name) => ({ ...take, number: Number(name) }),
  naming: {
    label: 'Number',
    schema: z
      .string()
      .check(z.regex(/^\s*[1-9]\d{0,5}\s*$/, 'Number: type a whole number from 1 to 999999.')),
  },
  copy: (_book, { measured: _, ...take }, _held, { id, now }) => [
    added('takes', { ...take, id: id(), number: 0, loggedAt: now.toISOString(), circled: false }),
  ],
  removal: (_book, take, { thumbnails, takeMarks }) => [
    ...gone('takes', [take]),
    ...gone('thumbnails', thumbnails),
    ...gone('takeMarks', takeMarks),
  ],
};
