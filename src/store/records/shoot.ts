import * as z from 'zod/mini';
import { between, demoSchema, finite, idSchema, nameSchema, text } from './common.ts';

/** Where and when, for the sun: degrees north + and east +, ISO 8601 date, hours from UTC on the clock there. */
export const sunSchema = z.object({
  latitude: between(-90, 90),
  longitude: between(-180, 180),
  date: z.iso.date(),
  clock: between(-12, 14),
});

const limit = z.object({ deltaE: between(0, 100), stops: between(0, 10) });

export const shootSchema = z.object({
  id: idSchema,
  name: nameSchema,
  place: text(0, 200),
  order: finite,
  sun: z.optional(sunSchema),
  /** First day, ISO 8601. */
  day: z.optional(z.iso.date()),
  /** The camera that the others are brought to; without one the first of each set-up. */
  heroCameraId: z.optional(idSchema),
  /** Up to where two pictures cut together, and up to where they are only seen when compared; moved by hand. */
  matchLimits: z.optional(z.object({ together: limit, seen: limit })),
  isDemo: demoSchema,
});
export type ShootRecord = z.infer<typeof shootSchema>;
