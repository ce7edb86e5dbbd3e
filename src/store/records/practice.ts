import * as z from 'zod/mini';
import { atLeast, between, finite, idSchema, listOf, named, text, whole } from './common.ts';

/** One task of practice as it was answered, by whom. */
export const practiceSchema = z.object({
  id: idSchema,
  person: named(60),
  drill: text(1, 60),
  level: z.literal([1, 2, 3]),
  seed: whole(0, 2 ** 32),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
  seconds: between(0, 86_400),
  camera: text(0, 120),
  profile: text(0, 120),
  subjectId: z.optional(idSchema),
  /** What made it harder. */
  when: z.optional(text(1, 80)),
  /** What it was done for: a check before a shoot, by its id. */
  shootId: z.optional(idSchema),
  marks: listOf(
    z.object({
      ask: text(1, 60),
      unit: z.enum(['stops', 'mired', 'percent', 'choices']),
      miss: finite,
      tolerance: atLeast(0),
      ok: z.boolean(),
      said: z.optional(finite),
      truth: z.optional(finite),
      /** Unit of those two where it is not that of the miss. */
      written: z.optional(z.enum(['kelvin', 'f-number'])),
    }),
    1,
    8,
  ),
});
export type PracticeRecord = z.infer<typeof practiceSchema>;
