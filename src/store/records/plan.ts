import { z } from 'zod';
import { finite, idSchema, stopsSchema } from './common.ts';
import { lutBuildSchema } from './lut.ts';

export const shutterSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('angle'), degrees: finite.positive().max(360) }),
  z.object({ kind: z.literal('time'), denominator: finite.positive().max(32_000) }),
]);

/** What was decided for one camera in one set-up; its id is `setup:camera`. */
export const planSchema = z.object({
  id: idSchema,
  setupId: idSchema,
  cameraId: idSchema,
  profileId: idSchema,
  placement: stopsSchema,
  iso: z.number().int().positive(),
  kelvin: z.number().int().min(1000).max(20_000),
  tint: finite.min(-100).max(100),
  shutter: shutterSchema,
  iris: finite.positive(),
  ndStops: finite.min(0).max(20),
  /** Which glass makes them; without it any. */
  ndSetId: idSchema.optional(),
  warningMargin: finite.min(0).max(3),
  /** The LUT on each monitor, by the monitor's id; without one a monitor shows the computed picture. */
  monitorLuts: z.record(idSchema, idSchema).optional(),
  /** The LUT that is being built here; without one the plain one. */
  lutBuild: lutBuildSchema.optional(),
});
export type PlanRecord = z.infer<typeof planSchema>;

/** A change of fields of a plan, stored or not: what nobody has touched starts from its defaults. */
export const planChange = (plan: PlanRecord, fields: Partial<PlanRecord>) => ({
  table: 'plans' as const,
  id: plan.id,
  before: plan,
  after: { ...plan, ...fields },
  isDefault: true,
});

export const planId = (setupId: string, cameraId: string): string => `${setupId}:${cameraId}`;
