import { z } from 'zod';
import { SPOT_ROLES, SPOT_UNIT_IDS, type SpotRole, type SpotUnit } from '#core/exposure/survey.ts';
import { finite, idSchema, nameSchema, stopsSchema } from './common.ts';

/** Cautions that a set-up calls for; their words are in core/cautions.ts. */
const CAUTION_IDS = ['hotWork', 'sun', 'air', 'diving', 'lamps', 'longRecording', 'waterEdge'] as const;

/** What a camera was set to as it read a spot. */
export const spotSettingsSchema = z.object({
  iso: finite.positive(),
  iris: finite.positive(),
  seconds: finite.positive(),
  ndStops: stopsSchema,
});

/** A reading of the light, as it was taken. */
export const spotSchema = z.object({
  id: idSchema,
  name: nameSchema,
  role: z.enum(Object.keys(SPOT_ROLES) as [SpotRole, ...SpotRole[]]),
  unit: z.enum(SPOT_UNIT_IDS as [SpotUnit, ...SpotUnit[]]),
  value: finite,
  reflectance: finite.min(0).max(1).optional(),
  at: spotSettingsSchema.optional(),
  subjectId: idSchema.optional(),
});

/** What the pictures are for and how they are shot. */
export const briefSchema = z.object({
  graded: z.boolean(),
  minutesPerClip: finite.min(0).max(600),
  live: z.boolean(),
  changing: z.boolean(),
  hdr: z.boolean(),
  outside: z.boolean(),
  mains: z.union([z.literal(50), z.literal(60)]),
  clips: z.number().int().min(0).max(10_000),
  /** Recorded by each camera. */
  minutes: finite.min(0).max(10_000),
});
export type Brief = z.infer<typeof briefSchema>;
export const PLAIN_BRIEF: Brief = {
  graded: true,
  minutesPerClip: 4,
  live: false,
  changing: false,
  hdr: false,
  outside: false,
  mains: 50,
  clips: 10,
  minutes: 30,
};

/** Metres from the surface, and from lens to subject. */
export const waterSchema = z.object({ depth: finite.min(0).max(200), distance: finite.min(0).max(50) });

/** What stays where it is while the exposure is solved. */
const locksSchema = z.object({
  iris: z.boolean(),
  /** It stays, goes to a base, moves up to a ceiling, or anywhere. */
  iso: z.enum(['stays', 'base', 'ceiling', 'free']),
  shutter: z.boolean(),
  light: z.boolean(),
});
export type Locks = z.infer<typeof locksSchema>;
export const PLAIN_LOCKS: Locks = { iris: true, iso: 'stays', shutter: true, light: true };

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
  spots: z.array(spotSchema).max(40).default([]),
  brief: briefSchema.default(PLAIN_BRIEF),
  locks: locksSchema.default(PLAIN_LOCKS),
  /** Reflected-light constant of the hand meter (ISO 2720): 12.5 or 14 are usual. */
  meterK: finite.min(5).max(30).default(12.5),
  /** Incident-light constant (ISO 2720): 250 for a flat receptor, 320 to 340 for a dome. */
  meterC: finite.min(200).max(500).default(250),
  /** Stops the brightest kept tone stays under clip. */
  backOff: finite
    .min(0)
    .max(2)
    .default(1 / 3),
  /** Lights of the bag that play here; the one on the skin first. */
  lightIds: z.array(idSchema).max(8).default([]),
  water: waterSchema.optional(),
  /** Day of the shoot and hour on the clock it starts at. */
  when: z.object({ day: z.number().int().min(1).max(99), hour: finite.min(0).max(24) }).optional(),
  /** Checklist items ticked off, by camera. */
  ticked: z.record(idSchema, z.array(z.string().max(40)).max(40)).default({}),
});
export type SetupRecord = z.infer<typeof setupSchema>;
