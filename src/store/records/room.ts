import * as z from 'zod/mini';
import { between, finite, idSchema, listOf, nameSchema, stopsSchema } from './common.ts';

const share = between(0, 1);
const placeSchema = z.object({ x: share, y: share, width: share, height: share });

/** A thing that is marked on a live picture. */
const roomMarkSchema = z.object({
  name: nameSchema,
  kind: z.enum(['card', 'skin', 'neutral', 'white', 'colour']),
  place: placeSchema,
});
export type RoomMarkRecord = z.infer<typeof roomMarkSchema>;

const channels = z.readonly(z.tuple([finite, finite, finite]));
/** What is set at the mixing desk: see `core/match/mixer.ts`. */
const mixerSchema = z.object({
  lift: channels,
  gamma: channels,
  gain: channels,
  saturation: between(0, 2),
  /** Why it was raised or lowered as it was. */
  reason: z.optional(nameSchema),
});

const pointSchema = z.readonly(z.tuple([share, share]));
/** A board between its four corners; one that is unknown is none. */
const boardSchema = z.object({
  id: idSchema,
  corners: z.readonly(z.tuple([pointSchema, pointSchema, pointSchema, pointSchema])),
});

/** Where a camera looks, and what is marked there; a fixed camera has one. */
const positionSchema = z.object({
  id: idSchema,
  name: nameSchema,
  marks: listOf(roomMarkSchema, 0, 60),
  board: z.optional(boardSchema),
  mixer: z.optional(mixerSchema),
  /** What lay between it and the hero here, as it was kept: stops, mired, thousandths of Duv. */
  apart: z.optional(z.object({ stops: stopsSchema, mired: between(-300, 300), tint: between(-100, 100) })),
});
export type RoomPosition = z.infer<typeof positionSchema>;

/** A camera in a live room. */
export const roomSchema = z.object({
  positions: listOf(positionSchema, 1, 12),
  /** The one it looks from now; without, the first. */
  at: z.optional(idSchema),
  /** Who speaks, and where each face lies: stops over grey. */
  faces: z.optional(listOf(z.object({ id: idSchema, name: nameSchema, offset: stopsSchema }), 0, 40)),
  /** Name of who speaks now. */
  speaks: z.optional(nameSchema),
});
export type RoomRecord = z.infer<typeof roomSchema>;
