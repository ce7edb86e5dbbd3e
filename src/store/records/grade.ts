import * as z from 'zod/mini';
import { finite, idSchema, listOf, positiveTo, text } from './common.ts';

/** Ids of kinds, values and schools as they are read: what this version does not know is kept and does nothing. */
const word = text(1, 40);

/** The trial grade of a camera in a set-up: everything but the profile, which is the plan's. */
export const gradeSchema = z.object({
  schools: z.record(word, word),
  output: word,
  /** cd/m2; counts for PQ. */
  peak: positiveTo(10_000),
  tone: word,
  /** Other deliverables that are made too, by their output, each with what moves for it alone. */
  trims: z.optional(z.record(word, z.object({ stops: finite, saturation: finite }))),
  rows: listOf(
    z.object({
      id: word,
      kind: word,
      on: z.boolean(),
      side: z.enum(['before', 'after']),
      values: z.record(word, finite),
      /** A LUT of the kit: of a look. */
      lut: z.optional(idSchema),
    }),
    0,
    40,
  ),
});
export type GradeRecord = z.infer<typeof gradeSchema>;
