import * as z from 'zod/mini';
import type { Correction } from '#core/correction/operations.ts';
import { invert } from '#core/maths/matrix.ts';
import { between, finite, listOf, positive } from './common.ts';
import { curveSchema, gamutSchema } from './profile.ts';

const triple = z.readonly(z.tuple([finite, finite, finite]));
const dial = z.object({ kelvin: between(500, 50_000), tint: between(-500, 500) });

const operation = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('contrast'), slope: positive }),
  z.object({ kind: z.literal('saturation'), amount: between(0, 10) }),
  z.object({
    kind: z.literal('matrix'),
    matrix: z.readonly(z.tuple([finite, finite, finite, finite, finite, finite, finite, finite, finite])),
  }),
  z.object({ kind: z.literal('exposure'), stops: between(-20, 20) }),
  z.object({
    kind: z.literal('balance'),
    mired: between(-1000, 1000),
    tint: between(-500, 500),
    about: dial,
    rest: z.optional(triple),
  }),
  z.object({ kind: z.literal('black'), offset: triple }),
]);

/** A matrix has to have a way back; what compiles a correction is more than the first script should carry. */
const canRun = ({ operations }: Correction): boolean =>
  operations.every((one) => {
    if (one.kind !== 'matrix') return true;
    try {
      return invert(one.matrix).every(Number.isFinite);
    } catch {
      return false;
    }
  });

/** A correction of light, stored only where it can be run both ways. */
export const correctionSchema = z
  .object({
    primaries: gamutSchema,
    bend: z.optional(curveSchema),
    operations: z.readonly(listOf(operation, 0, 12)),
  })
  .check(z.refine(canRun, 'a correction that cannot be run')) satisfies z.ZodMiniType<Correction>;
