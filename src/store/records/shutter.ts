import * as z from 'zod/mini';
import { positiveTo } from './common.ts';

/** A shutter by angle in degrees, or by time as a part of a second. */
export const shutterSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('angle'), degrees: positiveTo(360) }),
  z.object({ kind: z.literal('time'), denominator: positiveTo(32_000) }),
]);
