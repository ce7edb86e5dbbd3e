import { z } from 'zod';
import { leanSchema } from './camera.ts';
import { finite, idSchema, nameSchema } from './common.ts';

// What is carried beside the cameras.

export const ndSetSchema = z
  .object({
    id: idSchema,
    name: nameSchema,
    kind: z.enum(['fixed', 'variable']),
    unit: z.enum(['stops', 'density', 'factor']),
    /** Stops of each filter; of a variable one the least and the most. */
    stops: z.array(finite.positive().max(20)).min(1).max(16),
    lean: leanSchema,
    /** The only camera it fits; without it, every one. */
    fits: idSchema.optional(),
  })
  .refine(({ kind, stops }) => kind === 'fixed' || stops.length === 2, 'least and most of a variable filter');
export type NdSetRecord = z.infer<typeof ndSetSchema>;

/** The glass of the bag that goes on a camera. */
export const fitting = (sets: readonly NdSetRecord[], camera: { readonly id: string }): NdSetRecord[] =>
  sets.filter(({ fits }) => fits === undefined || fits === camera.id);

const tint = finite.min(-100).max(100);

/** A lamp or a sky. */
export const lightSchema = z.object({
  id: idSchema,
  name: nameSchema,
  kelvin: finite.min(1000).max(25_000),
  /** Thousandths of Duv, green +. */
  tint,
});
export type LightRecord = z.infer<typeof lightSchema>;

export const gelSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** Shift, warm +. */
  mired: finite.min(-400).max(400),
  tint,
  lossStops: finite.min(0).max(10),
});
export type GelRecord = z.infer<typeof gelSchema>;

export const monitorSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** Points a side of the LUT it loads; 0: it loads none. */
  lutPoints: z.number().int().min(0).max(129),
  inches: finite.positive().max(200),
  /** cd/m2. */
  peak: finite.positive().max(10_000),
  range: z.enum(['SDR', 'HDR']),
});
export type MonitorRecord = z.infer<typeof monitorSchema>;
