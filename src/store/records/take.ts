import { z } from 'zod';
import { SCALE_IDS, type ScaleId } from '#core/signal/scale.ts';
import { finite, idSchema, stopsSchema } from './common.ts';
import { profileDataSchema } from './profile.ts';
import { shutterSchema } from './plan.ts';

/** The set card as it was when the take was logged. */
const cardSnapshotSchema = z.object({
  setupName: z.string(),
  cameraName: z.string(),
  profileName: z.string(),
  profile: profileDataSchema,
  coding: z.object({ bitDepth: finite, range: z.enum(['legal', 'full']) }),
  placement: stopsSchema,
  iso: finite,
  kelvin: finite,
  tint: finite,
  shutter: shutterSchema,
  fps: finite,
  iris: finite,
  ndStops: finite,
  /** What the zebra levels are in; takes logged before it was kept have none. */
  zebraScale: z.enum(SCALE_IDS as [ScaleId, ...ScaleId[]]).optional(),
  cardZebra: z.string(),
  skinZebras: z.array(z.object({ subject: z.string(), zebra: z.string() })),
  warningZebra: z.string(),
  pullStops: stopsSchema,
  /** The LUT on the monitor; without one the picture was computed. */
  monitorLut: z.string().max(80).optional(),
});
export type CardSnapshot = z.infer<typeof cardSnapshotSchema>;

/** What was measured on the frame; absent when the take was logged without one. */
const measuredSchema = z.object({
  file: z.string().max(300),
  size: z.tuple([finite, finite]),
  cardStops: finite.optional(),
  cardOffset: finite.optional(),
  /** What was judged: a still, a frame of a clip, a live picture; takes logged before it was kept have none. */
  source: z
    .object({
      kind: z.enum(['still', 'clip', 'feed', 'camera']),
      container: z.string().max(120),
      exact: z.boolean(),
      /** Frame of a clip, from 1; seconds of a feed. */
      at: finite.optional(),
    })
    .optional(),
  /** Marked places: codes as recorded, stops over grey. */
  patches: z
    .array(
      z.object({
        name: z.string().max(80),
        kind: z.enum(['card', 'skin', 'neutral', 'white']),
        r: finite,
        g: finite,
        b: finite,
        stops: finite,
      }),
    )
    .max(24)
    .optional(),
  /** Shares of the picture, 0..1. */
  clippedAll: finite,
  clippedSome: finite,
  underFloor: finite,
  /** Shares a half stop from -10 to +10, for the glyph. */
  distribution: z.array(finite).max(80),
  verdicts: z.array(
    z.object({
      id: z.string(),
      state: z.enum(['holds', 'watch', 'lost']),
      title: z.string(),
      figure: z.string(),
      advice: z.string(),
    }),
  ),
});
export type TakeMeasurement = z.infer<typeof measuredSchema>;

export const takeSchema = z.object({
  id: idSchema,
  shootId: idSchema,
  setupId: idSchema,
  cameraId: idSchema,
  number: z.number().int().positive(),
  /** ISO 8601, UTC. */
  loggedAt: z.iso.datetime(),
  card: cardSnapshotSchema,
  measured: measuredSchema.optional(),
  notes: z.string().max(4000),
  circled: z.boolean(),
});
export type TakeRecord = z.infer<typeof takeSchema>;

/** Kept apart from the take, so that lists stay light. PNG bytes. */
export const thumbnailSchema = z.object({ id: idSchema, png: z.instanceof(Uint8Array) });
export type ThumbnailRecord = z.infer<typeof thumbnailSchema>;
