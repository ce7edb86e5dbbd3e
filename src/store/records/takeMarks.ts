import * as z from 'zod/mini';
import { atLeast, between, finite, idSchema, listOf, positive, text, whole } from './common.ts';

const rectSchema = z.object({ x: finite, y: finite, width: positive, height: positive });

/** How a mark looked, as one byte a pixel: what finds it again is blind to gain and offset. */
const pixelsSchema = z.object({
  width: whole(1, 960),
  height: whole(1, 4000),
  luma: z.base64().check(z.maxLength(3_000_000)),
});
/** A part of a small picture, and where it lies there. */
const lookFields = {
  smallWide: whole(1, 65_536),
  left: atLeast(0),
  top: atLeast(0),
  look: pixelsSchema,
};

/** The marks on the picture that a take was logged with, each with what stands round it. */
export const takeMarksSchema = z.object({
  /** Of the take. */
  id: idSchema,
  shootId: idSchema,
  marks: listOf(
    z.object({
      patch: z.object({
        id: text(1, 80),
        kind: z.enum(['card', 'skin', 'neutral', 'white']),
        subjectId: z.optional(idSchema),
        rect: rectSchema,
      }),
      aspect: between(0.01, 100),
      wide: whole(1, 65_536),
      ...lookFields,
      /** What moves by itself, closer. */
      core: z.optional(z.object(lookFields)),
    }),
    1,
    24,
  ),
});
export type TakeMarksRecord = z.infer<typeof takeMarksSchema>;
