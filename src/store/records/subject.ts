import * as z from 'zod/mini';
import { idSchema, nameSchema, stopsSchema } from './common.ts';

/** A person in front of the camera: skin on the key side, in stops from grey, measured beside the card. */
export const subjectSchema = z.object({
  id: idSchema,
  shootId: idSchema,
  name: nameSchema,
  skinOffset: stopsSchema,
});
export type SubjectRecord = z.infer<typeof subjectSchema>;
