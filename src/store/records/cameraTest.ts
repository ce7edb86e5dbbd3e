import * as z from 'zod/mini';
import { atLeast, between, finite, idSchema, listOf, nameSchema, positive, text, whole } from './common.ts';
import { evidenceItem, profileDataSchema } from './profile.ts';

const ids = listOf(text(1, 80), 0, 400);
const points = z.readonly(listOf(z.readonly(z.tuple([finite, finite])), 0, 400));

const figure = z.object({
  id: text(1, 80),
  name: text(1, 160),
  value: finite,
  unit: text(1, 20),
  plusMinus: z.optional(atLeast(0)),
  from: ids,
});

/** How a shot's picture begins: a JPEG as a data URL (RFC 2397). */
export const PICTURE_START = 'data:image/jpeg;base64,';

/** A filmed test of a camera: what it told, in numbers. */
export const cameraTestSchema = z.object({
  id: idSchema,
  name: nameSchema,
  cameraId: idSchema,
  /** As it was called then: the test outlives it. */
  cameraName: text(0, 120),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
  lens: text(0, 120),
  firmware: text(0, 120),
  length: text(1, 20),
  bitDepth: whole(8, 16),
  range: z.enum(['legal', 'full']),
  profile: profileDataSchema,
  evidence: z.readonly(listOf(evidenceItem, 0, 24)),
  isClipFound: z.boolean(),
  sensor: z.optional(z.object({ electronsAtGrey: positive, readElectrons: atLeast(0) })),
  parts: listOf(
    z.object({
      id: text(1, 40),
      figures: listOf(figure, 0, 200),
      plots: listOf(
        z.object({
          id: text(1, 40),
          name: text(1, 80),
          x: text(0, 60),
          y: text(0, 60),
          points,
          line: z.optional(points),
          band: z.optional(z.readonly(listOf(finite, 0, 400))),
        }),
        0,
        6,
      ),
      warnings: listOf(text(1, 600), 0, 20),
    }),
    0,
    20,
  ),
  missing: listOf(z.object({ what: text(1, 200), shot: text(1, 40) }), 0, 40),
  /** Where each shot was found: clip, seconds; a small picture where it was asked for. */
  shots: listOf(
    z.object({
      id: text(1, 80),
      clip: text(0, 200),
      from: atLeast(0),
      to: atLeast(0),
      sure: between(0, 1),
      picture: z.optional(text(1, 40_000).check(z.startsWith(PICTURE_START))),
    }),
    0,
    400,
  ),
});
export type CameraTestRecord = z.infer<typeof cameraTestSchema>;
