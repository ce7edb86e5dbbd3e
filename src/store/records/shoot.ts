import { z } from 'zod';
import { finite, idSchema, nameSchema } from './common.ts';

/** Where and when, for the sun: degrees north + and east +, ISO 8601 date, hours from UTC on the clock there. */
export const sunSchema = z.object({
  latitude: finite.min(-90).max(90),
  longitude: finite.min(-180).max(180),
  date: z.iso.date(),
  clock: finite.min(-12).max(14),
});

export const shootSchema = z.object({
  id: idSchema,
  name: nameSchema,
  place: z.string().max(200),
  order: finite,
  sun: sunSchema.optional(),
});
export type ShootRecord = z.infer<typeof shootSchema>;
