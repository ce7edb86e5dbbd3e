import * as z from 'zod/mini';
import { atLeast, between, finite, idSchema, listOf, text, whole } from './common.ts';
import { correctionSchema } from './correction.ts';

const share = between(0, 1);

/** What the file says of itself. */
const clipFactsSchema = z.object({
  /** `MOV, avc1.64001f`. */
  container: text(0, 160),
  size: z.tuple([finite, finite]),
  bitDepth: finite,
  range: z.enum(['legal', 'full']),
  chroma: z.optional(z.enum(['4:4:4', '4:2:2', '4:2:0'])),
  /** Luma weights that its Y'CbCr was read by. */
  matrix: z.optional(z.enum(['bt709', 'bt2020', 'bt601'])),
  /** Transfer, primaries, matrix and range as tagged, in words. */
  tags: z.optional(text(0, 160)),
  exact: z.boolean(),
  frames: atLeast(0),
  seconds: atLeast(0),
  rate: atLeast(0),
  variable: z.boolean(),
  rotation: z.optional(finite),
  /** Start by the camera's clock, ISO 8601, UTC. */
  startedAt: z.optional(z.iso.datetime()),
  timecode: z.optional(text(0, 20)),
  reel: z.optional(text(0, 80)),
});
export type ClipFactsRecord = z.infer<typeof clipFactsSchema>;

/** What was measured on a frame: stops of its mean over grey, the share that clips, the cast of a marked neutral. */
const clipSampleSchema = z.object({
  frame: finite,
  /** Seconds from the start. */
  at: finite,
  meanStops: finite,
  clippedAll: share,
  cardStops: z.optional(finite),
  mired: z.optional(finite),
});

const triple = z.readonly(z.tuple([finite, finite, finite]));

/** Light of a mark in a clip: mean of the frames in which it was found, in the profile's primaries. */
const markLightSchema = z.object({
  name: text(1, 80),
  kind: z.enum(['card', 'skin', 'neutral', 'white']),
  light: triple,
  /** Standard error of the mean. */
  error: triple,
  clipped: share,
  underFloor: share,
});

/** What was found in a clip, all its measured frames together. */
const clipFoundSchema = z.object({
  samples: listOf(clipSampleSchema, 1, 60),
  /** Shares a half stop from -10 to +10, mean of the frames. */
  distribution: listOf(share, 0, 80),
  meanStops: finite,
  cardStops: z.optional(finite),
  clippedAll: share,
  clippedSome: share,
  underFloor: share,
  mired: z.optional(finite),
  /** Marks that were looked for: in how many of the measured frames each was found, and the least fit, up to 1. */
  marks: z.optional(z.object({ frames: atLeast(0), score: z.optional(share) })),
  /** Highest less lowest within the clip: of the card where it was seen more than once, else of the mean. */
  driftStops: finite,
  driftMired: z.optional(finite),
  /** What the codes say against the profile or the range that was planned. */
  doubt: z.optional(text(0, 120)),
  /** How its light spreads: each tenth's channel by channel, in the profile's primaries. */
  tones: z.optional(z.readonly(listOf(triple, 1, 20))),
  lights: z.optional(listOf(markLightSchema, 0, 40)),
  /** The profile that its light was read by. */
  profileId: z.optional(idSchema),
  /** It ends before its end. */
  cutShort: z.optional(text(0, 300)),
});
export type ClipFound = z.infer<typeof clipFoundSchema>;

const driftSchema = z.object({ stops: finite, mired: finite });

/** A clip on a camera's card. The file itself is never stored. */
export const clipSchema = z.object({
  id: idSchema,
  shootId: idSchema,
  cameraId: idSchema,
  file: z.object({
    name: text(1, 400),
    bytes: atLeast(0),
    /** Last written, ISO 8601, UTC. */
    writtenAt: z.iso.datetime(),
  }),
  /** Waiting for its survey, surveyed, or left out with the reason. */
  state: z.enum(['waiting', 'surveyed', 'leftOut']),
  problem: z.optional(text(0, 400)),
  facts: z.optional(clipFactsSchema),
  found: z.optional(clipFoundSchema),
  /** The take that it is; by hand it stays whatever the pairing finds. */
  take: z.optional(
    z.object({ id: z.optional(idSchema), by: z.enum(['found', 'hand']), probability: z.optional(share) }),
  ),
  /** What brings it to the hero of its set-up. */
  correction: z.optional(
    z.object({
      correction: correctionSchema,
      /** Solved from marks, estimated from the picture, or moved by hand. */
      by: z.enum(['marks', 'estimate', 'hand']),
      /** The clip it was brought to. */
      heroId: idSchema,
      /** CIEDE2000 that is left on what was marked. */
      residual: z.optional(atLeast(0)),
      /** Drift within the clip: stops and mired to add at its beginning and at its end. */
      drift: z.optional(z.object({ from: driftSchema, to: driftSchema })),
      accepted: z.boolean(),
    }),
  ),
  /** What moves in the trial grade of its set-up for this clip alone: stops, and mired warmer +. */
  trim: z.optional(z.object({ stops: between(-6, 6), mired: between(-400, 400) })),
  /** It differs from its hero by intention: never asked about. */
  onPurpose: z.optional(z.boolean()),
  circled: z.boolean(),
  notes: text(0, 4000),
  /** Thumbnails kept under `<id>-0` and on. */
  pictures: whole(0, 8),
});
export type ClipRecord = z.infer<typeof clipSchema>;
export type ClipCorrection = NonNullable<ClipRecord['correction']>;

/** How a camera's clock stood against ours on a shoot, where it was set by hand. */
export const cameraClockSchema = z.object({
  id: idSchema,
  shootId: idSchema,
  cameraId: idSchema,
  /** Camera's clock less ours, seconds. */
  offset: finite,
});

export const cameraClockId = (shootId: string, cameraId: string): string => `${shootId}:${cameraId}`;
/** Ids of a clip's thumbnails. */
export const clipPictureIds = ({ id, pictures }: Pick<ClipRecord, 'id' | 'pictures'>): readonly string[] =>
  Array.from({ length: pictures }, (_, n) => `${id}-${n}`);
