import { z } from 'zod';
import { finite, idSchema, nameSchema } from './common.ts';

/** Cautions that a set-up calls for; their words are in core/cautions.ts. */
export const CAUTION_IDS = [
  'hotWork',
  'sun',
  'air',
  'diving',
  'lamps',
  'longRecording',
  'waterEdge',
] as const;

export const setupSchema = z.object({
  id: idSchema,
  shootId: idSchema,
  name: nameSchema,
  order: finite,
  light: z.string().max(300),
  fps: z.number().positive().max(240),
  cameraIds: z.array(idSchema).min(1).max(12),
  subjectIds: z.array(idSchema).max(12),
  cautions: z.array(z.enum(CAUTION_IDS)).max(8),
});
export type SetupRecord = z.infer<typeof setupSchema>;
