import * as z from 'zod/mini';
import type { LampId } from '#core/exposure/lampFlicker.ts';
import type { ShutterRuleId } from '#core/lens/motion.ts';
import type { RatioBandId } from '#core/exposure/ratio.ts';
import {
  SPOT_ROLES,
  SPOT_PLACE_IDS,
  SPOT_SHARE_IDS,
  SPOT_UNIT_IDS,
  type SpotPlace,
  type SpotRole,
  type SpotShare,
} from '#core/exposure/spot.ts';
import type { Wardrobe } from './wardrobe.ts';
import {
  between,
  checkedLater,
  finite,
  idSchema,
  listOf,
  nameSchema,
  positive,
  positiveTo,
  stopsSchema,
  text,
  whole,
} from './common.ts';
import type { WindowOfSetup } from './window.ts';

/** Bright side, shadow side and background of a subject, each a spot by its id. */
export type RatioOf = {
  readonly bright?: string;
  readonly shadow?: string;
  readonly behind?: string;
  readonly wanted?: RatioBandId;
};

/** Cautions that a set-up calls for; their words are in core/cautions.ts. */
const CAUTION_IDS = ['hotWork', 'sun', 'air', 'diving', 'lamps', 'longRecording', 'waterEdge'] as const;

/** What a camera was set to as it read a spot. */
export const spotSettingsSchema = z.object({
  iso: positive,
  iris: positive,
  seconds: positive,
  ndStops: stopsSchema,
});

/** A reading of the light, as it was taken. */
export const spotSchema = z.object({
  id: idSchema,
  name: nameSchema,
  role: z.enum(Object.keys(SPOT_ROLES) as [SpotRole, ...SpotRole[]]),
  unit: z.enum(SPOT_UNIT_IDS),
  value: finite,
  reflectance: z.optional(between(0, 1)),
  at: z.optional(spotSettingsSchema),
  share: z.optional(z.enum(SPOT_SHARE_IDS as [SpotShare, ...SpotShare[]])),
  place: z.optional(z.enum(SPOT_PLACE_IDS as [SpotPlace, ...SpotPlace[]])),
  subjectId: z.optional(idSchema),
});

/** What the pictures are for and how they are shot. */
export const briefSchema = z.object({
  graded: z.boolean(),
  minutesPerClip: between(0, 600),
  live: z.boolean(),
  changing: z.boolean(),
  hdr: z.boolean(),
  outside: z.boolean(),
  mains: z.union([z.literal(50), z.literal(60)]),
  clips: whole(0, 10_000),
  /** Recorded by each camera. */
  minutes: between(0, 10_000),
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
export const waterSchema = z.object({ depth: between(0, 200), distance: between(0, 50) });

/** What stays where it is while the exposure is solved. */
const locksSchema = z.object({
  iris: z.boolean(),
  /** It stays, goes to a base, moves up to a ceiling, or anywhere. */
  iso: z.enum(['stays', 'base', 'ceiling', 'free']),
  shutter: z.boolean(),
  light: z.boolean(),
  /** Which shutters may be used where it is free; by day outside any, under lamps what does not flicker. */
  rule: checkedLater<ShutterRuleId>(),
});
export type Locks = z.infer<typeof locksSchema>;
export const PLAIN_LOCKS: Locks = { iris: true, iso: 'stays', shutter: true, light: true };

export const setupSchema = z.object({
  id: idSchema,
  shootId: idSchema,
  name: nameSchema,
  order: finite,
  light: text(0, 300),
  fps: positiveTo(240),
  cameraIds: listOf(idSchema, 0, 12),
  subjectIds: listOf(idSchema, 0, 12),
  cautions: listOf(z.enum(CAUTION_IDS), 0, 8),
  spots: z._default(listOf(spotSchema, 0, 40), []),
  brief: z._default(briefSchema, PLAIN_BRIEF),
  locks: z._default(locksSchema, PLAIN_LOCKS),
  /** Reflected-light constant of the hand meter (ISO 2720): 12.5 or 14 are usual. */
  meterK: z._default(between(5, 30), 12.5),
  /** Incident-light constant (ISO 2720): 250 for a flat receptor, 320 to 340 for a dome. */
  meterC: z._default(between(200, 500), 250),
  /** Stops the brightest kept tone stays under clip. */
  backOff: z._default(between(0, 2), 1 / 3),
  /** What is worn and what stands behind, by colour. */
  wardrobe: checkedLater<Wardrobe>(),
  /** Spots whose ratio is looked at, by their ids, and what is wanted of it. */
  ratio: checkedLater<RatioOf>(),
  /** Lights of the bag that play here; the one on the skin first. */
  lightIds: z._default(listOf(idSchema, 0, 8), []),
  water: z.optional(waterSchema),
  /** What the simulated camera stands before here, where it was chosen; one that is unknown counts as none. */
  scene: z.optional(text(0, 40)),
  /** Day of the shoot and hour on the clock it starts at. */
  when: z.optional(
    z.object({
      day: whole(1, 99),
      hour: between(0, 24),
      /** Where the camera looks, degrees from north over east. */
      bearing: z.optional(between(0, 360)),
    }),
  ),
  /** The window that lights it, and the sky: see `window.ts`. */
  window: checkedLater<WindowOfSetup>(),
  /** Kinds of lamps that light it: see `lamps.ts`. */
  lamps: checkedLater<readonly LampId[]>(),
  /** The clip that the others of this set-up are brought to, where it was chosen by hand. */
  heroClipId: z.optional(idSchema),
  /** The take that they are brought to, where it was chosen and has no clip. */
  heroTakeId: z.optional(idSchema),
  /** Checklist items ticked off, by camera. */
  ticked: z._default(z.record(idSchema, listOf(text(0, 40), 0, 40)), {}),
});
export type SetupRecord = z.infer<typeof setupSchema>;
