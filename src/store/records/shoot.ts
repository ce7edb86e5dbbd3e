import { z } from 'zod';
import { finite, idSchema, nameSchema } from './common.ts';

export const shootSchema = z.object({
  id: idSchema,
  name: nameSchema,
  place: z.string().max(200),
  order: finite,
});
export type ShootRecord = z.infer<typeof shootSchema>;
