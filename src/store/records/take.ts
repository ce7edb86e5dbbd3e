import * as z from 'zod/mini';
import { SCALE_IDS, type ScaleId } from '#core/signal/scale.ts';
import { finite, idSchema, listOf, natural, stopsSchema, text } from './common.ts';
import { profileDataSchema } from './profile.ts';
import { shutterSchema } from './shutter.ts';

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
  /** Other glass before the lens, by its names. */
  glass: z.optional(text(0, 200)),
  /** Shot raw: how it is developed into the profile; without it the profile was recorded. */
  raw: z.optional(text(0, 200)),
  /** What the zebra levels are in; takes logged before it was kept have none. */
  zebraScale: z.optional(z.enum(SCALE_IDS as [ScaleId, ...ScaleId[]])),
  cardZebra: z.string(),
  skinZebras: z.array(z.object({ subject: z.string(), zebra: z.string() })),
  warningZebra: z.string(),
  pullStops: stopsSchema,
  /** The LUT on the monitor; without one the picture was computed. */
  monitorLut: z.optional(text(0, 80)),
});
export type CardSnapshot = z.infer<typeof cardSnapshotSchema>;

/** What was measured on the frame; absent when the take was logged without one. */
const measuredSchema = z.object({
  file: text(0, 300),
  size: z.tuple([finite, finite]),
  cardStops: z.optional(finite),
  cardOffset: z.optional(finite),
  /** What was judged: a still, a frame of a clip, a live picture; takes logged before it was kept have none. */
  source: z.optional(
    z.object({
      kind: z.enum(['still', 'clip', 'feed', 'camera']),
      container: text(0, 120),
      exact: z.boolean(),
      /** Frame of a clip, from 1; seconds of a feed. */
      at: z.optional(finite),
    }),
  ),
  /** Marked places: codes as recorded, stops over grey. */
  patches: z.optional(
    listOf(
      z.object({
        name: text(0, 80),
        kind: z.enum(['card', 'skin', 'neutral', 'white']),
        r: finite,
        g: finite,
        b: finite,
        stops: finite,
      }),
      0,
      24,
    ),
  ),
  /** Shares of the picture, 0..1. */
  clippedAll: finite,
  clippedSome: finite,
  underFloor: finite,
  /** Shares a half stop from -10 to +10, for the glyph. */
  distribution: listOf(finite, 0, 80),
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
  number: natural,
  /** ISO 8601, UTC. */
  loggedAt: z.iso.datetime(),
  card: cardSnapshotSchema,
  measured: z.optional(measuredSchema),
  notes: text(0, 4000),
  circled: z.boolean(),
});
export type TakeRecord = z.infer<typeof takeSchema>;

/** Kept apart from the take, so that lists stay light. PNG bytes. */
export const thumbnailSchema = z.object({ id: idSchema, png: z.instanceof(Uint8Array) });
export type ThumbnailRecord = z.infer<typeof thumbnailSchema>;
