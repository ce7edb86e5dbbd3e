import * as z from 'zod/mini';
import { correctionSchema } from './correction.ts';
import { COMPRESS_FROM } from '#core/lut/compressFrom.ts';
import { OUTPUT_IDS, type OutputId } from '#core/lut/outputs.ts';
import { TONE_LIMITS, TONE_PRESET_IDS, type TonePresetId } from '#core/lut/toneScale.ts';
import {
  between,
  demoSchema,
  finite,
  idSchema,
  listOf,
  nameSchema,
  positiveTo,
  stopsSchema,
  text,
  whole,
} from './common.ts';
import { profileDataSchema } from './profile.ts';

const output = z.enum(OUTPUT_IDS as [OutputId, ...OutputId[]]);
type Limits = { readonly min: number; readonly max: number };
const within = ({ min, max }: Limits) => between(min, max);

const toneSchema = z.object({
  grey: z.optional(within(TONE_LIMITS.grey)),
  white: z.optional(within(TONE_LIMITS.white)),
  contrast: within(TONE_LIMITS.contrast),
  toe: within(TONE_LIMITS.toe),
  shoulder: within(TONE_LIMITS.shoulder),
});
const saturation = between(0, 3);
const gamutMap = z.optional(z.object({ kind: z.literal('compress'), from: within(COMPRESS_FROM) }));

/** A LUT being built for a camera in a set-up: everything but the profile, which is the plan's. */
export const lutBuildSchema = z.object({
  output,
  /** cd/m2; counts for PQ. */
  peak: positiveTo(10_000),
  preset: z.enum(TONE_PRESET_IDS as [TonePresetId, ...TonePresetId[]]),
  /** What was moved away from the preset. */
  moved: z.partial(toneSchema),
  saturation,
  gamutMap,
  /** Stops; without it the placement's. */
  pull: z.optional(stopsSchema),
  /** With what the camera keeps that brings it to the hero camera in this light. */
  matched: z.optional(z.boolean()),
});
export type LutBuild = z.infer<typeof lutBuildSchema>;

/** A LUT of our own making, as what it is made from. */
const recipeSchema = z.object({
  profile: profileDataSchema,
  pullStops: stopsSchema,
  output,
  peak: positiveTo(10_000),
  tone: toneSchema,
  saturation,
  gamutMap,
  match: z.optional(correctionSchema),
});

/** A LUT of the kit: a recipe, or a file whose text is kept beside it. */
export const lutSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** Where it comes from, in words. */
  says: text(0, 300),
  output,
  scale: z.enum(['signal', 'code']),
  coding: z.object({ bitDepth: whole(8, 16), range: z.enum(['legal', 'full']) }),
  interpolation: z.enum(['tetrahedral', 'trilinear']),
  /** Without it the LUT is a file: its text has the same id in `lutTexts`. */
  recipe: z.optional(recipeSchema),
  /** What it makes of neutrals, for the card and zebras. */
  axis: z.object({ from: finite, to: finite, out: z.readonly(listOf(finite, 2, 4096)) }),
  isDemo: demoSchema,
});
export type LutRecord = z.infer<typeof lutSchema>;

/** The file of a LUT. */
export const lutTextSchema = z.object({ id: idSchema, text: text(1, 80_000_000) });
export type LutTextRecord = z.infer<typeof lutTextSchema>;
