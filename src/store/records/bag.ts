import * as z from 'zod/mini';
import type { ScreenCheck } from './screen.ts';
import { leanSchema } from './camera.ts';
import {
  between,
  checkedLater,
  demoSchema,
  idSchema,
  listOf,
  nameSchema,
  positiveTo,
  whole,
} from './common.ts';

// What is carried beside the cameras.

export const ndSetSchema = z
  .object({
    id: idSchema,
    name: nameSchema,
    kind: z.enum(['fixed', 'variable']),
    unit: z.enum(['stops', 'density', 'factor']),
    /** Stops of each filter; of a variable one the least and the most. */
    stops: listOf(positiveTo(20), 1, 16),
    lean: leanSchema,
    /** The only camera it fits; without it, every one. */
    fits: z.optional(idSchema),
    isDemo: demoSchema,
  })
  .check(
    z.refine(
      ({ kind, stops }) => kind === 'fixed' || stops.length === 2,
      'least and most of a variable filter',
    ),
  );
export type NdSetRecord = z.infer<typeof ndSetSchema>;

/** The glass of the bag that goes on a camera. */
export const fitting = (sets: readonly NdSetRecord[], camera: { readonly id: string }): NdSetRecord[] =>
  sets.filter(({ fits }) => fits === undefined || fits === camera.id);

const tint = between(-100, 100);

/** A lamp or a sky. */
export const lightSchema = z.object({
  id: idSchema,
  name: nameSchema,
  kelvin: between(1000, 25_000),
  /** Thousandths of Duv, green +. */
  tint,
  isDemo: demoSchema,
});
export type LightRecord = z.infer<typeof lightSchema>;

export const gelSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** Shift, warm +. */
  mired: between(-400, 400),
  tint,
  lossStops: between(0, 10),
  isDemo: demoSchema,
});
export type GelRecord = z.infer<typeof gelSchema>;

export const monitorSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** Points a side of the LUT it loads; 0: it loads none. */
  lutPoints: whole(0, 129),
  inches: positiveTo(200),
  /** cd/m2. */
  peak: positiveTo(10_000),
  range: z.enum(['SDR', 'HDR']),
  /** What was seen and measured of it. */
  check: checkedLater<ScreenCheck>(),
  isDemo: demoSchema,
});
export type MonitorRecord = z.infer<typeof monitorSchema>;
