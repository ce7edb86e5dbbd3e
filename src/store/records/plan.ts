import * as z from 'zod/mini';
import type { GlassId } from '#core/exposure/glassLoss.ts';
import type { LensUse } from '#core/lens/depthWishes.ts';
import { between, checkedLater, idSchema, natural, positive, stopsSchema, whole } from './common.ts';
import { gradeSchema } from './grade.ts';
import { lutBuildSchema } from './lut.ts';
import { roomSchema } from './room.ts';
import { shutterSchema } from './shutter.ts';
import type { OtherCard } from './otherCard.ts';
import type { RawPlan } from './raw.ts';

/** What was decided for one camera in one set-up; its id is `setup:camera`. */
export const planSchema = z.object({
  id: idSchema,
  setupId: idSchema,
  cameraId: idSchema,
  profileId: idSchema,
  placement: stopsSchema,
  iso: natural,
  kelvin: whole(1000, 20_000),
  tint: between(-100, 100),
  shutter: shutterSchema,
  iris: positive,
  ndStops: between(0, 20),
  /** Which glass makes them; without it any. */
  ndSetId: z.optional(idSchema),
  warningMargin: between(0, 3),
  /** Focal length, focus and what is wanted of the depth. */
  lens: checkedLater<LensUse>(),
  /** Glass before the lens that is not grey. */
  glass: checkedLater<readonly GlassId[]>(),
  /** Recorded raw, and what post develops into: see `raw.ts`. */
  raw: checkedLater<RawPlan>(),
  /** A second card for another light: see `otherCard.ts`. */
  other: checkedLater<OtherCard>(),
  /** The LUT on each monitor, by the monitor's id; without one a monitor shows the computed picture. */
  monitorLuts: z.optional(z.record(idSchema, idSchema)),
  /** The LUT that is being built here; without one the plain one. */
  lutBuild: z.optional(lutBuildSchema),
  /** The trial grade; without one it is proposed from the picture. */
  grade: z.optional(gradeSchema),
  /** Its positions in a live room, what is marked there, and what the desk does to it. */
  room: z.optional(roomSchema),
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
