import { z } from 'zod';
import { SCALE_IDS, type ScaleId } from '#core/signal/scale.ts';
import { finite, idSchema, nameSchema, stopsSchema } from './common.ts';

const levels = z.object({ min: finite, max: finite, step: finite.positive() });

export const cameraSchema = z.object({
  id: idSchema,
  name: nameSchema,
  job: z.string().max(120),
  coding: z.object({
    bitDepth: z.union([z.literal(8), z.literal(10), z.literal(12)]),
    range: z.enum(['legal', 'full']),
  }),
  chroma: z.enum(['4:2:0', '4:2:2', '4:4:4']),
  baseIsos: z.array(z.number().int().positive()).min(1).max(4),
  isos: z.array(z.number().int().positive()).min(1).max(60),
  /** Empty: the lens has no iris to set; `fixedIris` holds its f-number. */
  irises: z.array(finite.positive()).max(60),
  fixedIris: finite.positive().optional(),
  shutterBy: z.enum(['angle', 'time']),
  kelvinStep: z.number().int().positive(),
  kelvinRange: z.tuple([z.number().int().positive(), z.number().int().positive()]),
  /** Lowest usable stop under grey at base ISO, as its owner judges it. */
  floorStops: stopsSchema,
  profileIds: z.array(idSchema).min(1).max(60),
  zebra: z.object({
    scale: z.enum(SCALE_IDS as [ScaleId, ...ScaleId[]]),
    reads: z.enum(['log', 'lut']),
    range: levels.extend({ tolerances: z.array(finite.positive()).min(1).max(40) }),
    lowerLimit: levels,
  }),
});

export type CameraRecord = z.infer<typeof cameraSchema>;
